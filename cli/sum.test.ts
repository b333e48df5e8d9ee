import { runCommand } from './commands';
import { SUMS } from '../src/core/sums';
import { CliError } from './errors';

const sum = (...args: string[]) => runCommand(['sum', ...args], 0);
const solved = (...args: string[]) =>
  JSON.parse(sum(...args)) as { answer: number; unit: string; working: string[] };

describe('sum', () => {
  it('prints the answer with its unit and working', () => {
    expect(solved('salt-mix', '--litres', '208', '--salinity', '35')).toMatchObject({
      answer: 7904,
      unit: 'g',
      working: [expect.stringContaining('208 L × 38 g/L'), expect.any(String)],
    });
  });

  it('takes names of several words, choices and a decimal comma', () => {
    const given = ['--litres', '200', '--label-amount', '2,5', '--label-litres', '50'];
    expect(solved('additive', ...given).answer).toBe(10);
    const soda = ['--litres', '200', '--from', '6.5', '--salt', 'soda ash'];
    expect(solved('alkalinity', ...soda).answer).toBeCloseTo(7.56, 9);
  });

  it('lists every sum on a line with its inputs', () => {
    const lines = sum('--list').split('\n');
    expect(lines.map((line) => line.split('  ')[0])).toEqual(SUMS.map(({ id }) => id));
    expect(lines.find((line) => line.startsWith('additive'))).toMatch(
      /--litres L --label-amount mL .*\[--drop mL=0.05\]/,
    );
  });

  test.each([
    [[], /sum --list names them/],
    [['soup'], /no sum "soup"/],
    [['salt-mix'], /litres is missing/],
    [['salt-mix', '--litres', '0'], /between 0.5 and 20000/],
    [['salt-mix', '--litres', 'some'], /takes a number/],
    [['rodi', '--litres', '100', '--minutes', '-3'], /between 0.1 and 600/],
    [['salt-mix', '--litres', '100', '--salinity', '60'], /between 0 and 45/],
    [['salinity-raise', '--litres', '100', '--from', '33', '--with', '34'], /saltier/],
    [['salt-mix', '--gallons', '3'], /Unknown option/],
    [['salt-mix', '208', '--litres', '208'], /no option of salt-mix/],
  ])('%j is a sentence', (args, words) => {
    expect(() => sum(...args)).toThrow(CliError);
    expect(() => sum(...args)).toThrow(words);
  });
});
