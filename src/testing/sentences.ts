import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import * as ts from 'typescript';

/** Folders whose code ships, or answers on the command line. */
const SHIPPED = ['src', 'cli', 'server'];
const isTest = (file: string) => /\.test\.tsx?$/.test(file) || file.startsWith('src/testing/');
/** What leads from former words to those of today has to know them. */
const leadsOn = (file: string) =>
  /\/migrations\/|frame\/moved\.ts$|storage\/formerDrafts\.ts$/.test(file);

/** One name or sentence of the code, and where it stands. */
export interface Said {
  text: string;
  file: string;
  line: number;
}

export interface Words {
  /** Names of variables, functions, types and fields. */
  identifiers: Said[];
  /** Texts of one word that are no sentence: kinds, keys, tags. */
  keys: Said[];
  /** What a person reads: every text with a space or a capital in it; what is filled in stands as …. */
  sentences: Said[];
}

/** Code that ships, as paths from the root; tests and what leads former words on left out. */
export function shippedFiles(): string[] {
  return SHIPPED.flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .map((file) => path.posix.join(folder, file.split(path.sep).join('/')))
      .filter((file) => /\.tsx?$/.test(file) && !isTest(file) && !leadsOn(file)),
  ).sort();
}

const isModule = (node: ts.Node) =>
  ts.isImportDeclaration(node) ||
  ts.isExportDeclaration(node) ||
  (ts.isCallExpression(node) && node.expression.kind === ts.SyntaxKind.ImportKeyword);

/** The text of a template with … for each value that is filled in. */
function templateText(node: ts.TemplateExpression): string {
  return [node.head.text, ...node.templateSpans.map(({ literal }) => `…${literal.text}`)].join('');
}

/** Every name and sentence of a file. */
export function wordsOf(file: string): Words {
  const source = ts.createSourceFile(
    file,
    readFileSync(file, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const found: Words = { identifiers: [], keys: [], sentences: [] };
  const say = (to: Said[], node: ts.Node, text: string) => {
    const { line } = source.getLineAndCharacterOfPosition(node.getStart(source));
    to.push({ text, file, line: line + 1 });
  };
  const sayText = (node: ts.Node, text: string) => {
    const plain = text.replace(/\s+/g, ' ').trim();
    if (plain === '') return;
    say(/\s|^[A-Z]/.test(plain) ? found.sentences : found.keys, node, plain);
  };
  const visit = (node: ts.Node): void => {
    if (ts.isIdentifier(node)) say(found.identifiers, node, node.text);
    else if (ts.isTemplateExpression(node)) sayText(node, templateText(node));
    else if (ts.isStringLiteralLike(node)) {
      if (!isModule(node.parent)) sayText(node, node.text);
    } else if (ts.isJsxText(node)) sayText(node, node.text);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}
