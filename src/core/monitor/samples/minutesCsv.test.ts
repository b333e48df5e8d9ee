import papaparse from 'papaparse';
import { minuteOf, NONE } from './block';
import { minutesCsv } from './minutesCsv';

it('minutes leave as lines of a spreadsheet, without those in which nothing was measured', () => {
  const first = minuteOf(Date.parse('2026-03-02T23:59:00Z'));
  const probes = [
    { channel: 'temperature', values: Int16Array.from([2550, NONE, 2551]) },
    { channel: 'ph', values: Int16Array.from([8123, NONE, NONE]) },
  ] as const;
  const { data } = papaparse.parse(minutesCsv(first, probes, true), { skipEmptyLines: true });
  expect(data).toEqual([
    ['Time (UTC)', 'Temperature (°C)', 'pH'],
    ['2026-03-02 23:59', '25.5', '8.123'],
    ['2026-03-03 00:01', '25.51', ''],
  ]);
  expect(minutesCsv(first, probes, false).split('\r\n')).toHaveLength(3);
  expect(minutesCsv(first, [], false)).toBe('');
});
