import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

/** What a person types in: every one of them, so that a new kind is found by its own text. */
const FIELDS = ['Field', 'DayField', 'TypedDay', 'AnimalPicker', 'TextInput', 'CountField'];

/** Fields whose text is not worth a reload, and why. */
const UNKEPT: Readonly<Record<string, string>> = {
  'data/EraseSheet.tsx typed': 'A word typed to confirm an erasing must be typed anew.',
  'stock/CountField.tsx text': 'Whoever shows it keeps the number, on every letter.',
};

function filesBelow(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const file = path.join(folder, entry.name);
    if (entry.isDirectory()) return filesBelow(file);
    return /(?<!\.test)\.tsx$/.test(entry.name) ? [file] : [];
  });
}

/** Names that `useState` gives in a file. */
function plainState(source: ts.SourceFile): Set<string> {
  const names = new Set<string>();
  const visit = (node: ts.Node) => {
    if (
      ts.isVariableDeclaration(node) &&
      ts.isArrayBindingPattern(node.name) &&
      node.initializer &&
      ts.isCallExpression(node.initializer) &&
      node.initializer.expression.getText(source) === 'useState'
    ) {
      const [first, change] = node.name.elements;
      if (change && first && ts.isBindingElement(first)) names.add(first.name.getText(source));
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return names;
}

/** Names in what a field shows. */
function shownBy(value: ts.Node): Set<string> {
  const names = new Set<string>();
  const visit = (node: ts.Node) => {
    if (ts.isIdentifier(node)) names.add(node.text);
    ts.forEachChild(node, visit);
  };
  visit(value);
  return names;
}

/** Fields of a file that show plain state, which a reload takes away. */
export function unkeptFields(name: string, text: string): string[] {
  const source = ts.createSourceFile(name, text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const state = plainState(source);
  const found = new Set<string>();
  const visit = (node: ts.Node) => {
    if (ts.isJsxSelfClosingElement(node) || ts.isJsxOpeningElement(node)) {
      const shown = node.attributes.properties.find(
        (one) => ts.isJsxAttribute(one) && one.name.getText(source) === 'value',
      );
      if (FIELDS.includes(node.tagName.getText(source)) && shown) {
        for (const one of shownBy(shown)) if (state.has(one)) found.add(`${name} ${one}`);
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return [...found];
}

describe('what is half typed', () => {
  it('is kept over a reload, in every field of every screen', () => {
    const found = filesBelow(__dirname).flatMap((file) =>
      unkeptFields(path.relative(__dirname, file), readFileSync(file, 'utf8')),
    );
    expect(found.sort()).toEqual(Object.keys(UNKEPT).sort());
  });

  it('is found where it is not', () => {
    const text =
      "const A = () => { const [text, setText] = useState(''); return <Field label='x' value={text.trim()} onChange={setText} />; };";
    expect(unkeptFields('a.tsx', text)).toEqual(['a.tsx text']);
    expect(unkeptFields('a.tsx', text.replace('useState', "useTyped('a', "))).toEqual([]);
  });
});
