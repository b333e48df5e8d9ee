import { strFromU8, unzipSync } from 'fflate';
import type { Plan } from '../../livestock/planner/types';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { textWorkbook } from '../workbook';
import { sheetsArchive } from './archive';
import { planSheet } from './plan';

const builder = new LogBuilder({ name: 'Reef' });
const item = (name: string, because: string) => ({
  wishId: name,
  species: 'x',
  name,
  count: 2,
  nitrogen: 1,
  group: 'fish' as const,
  quarantineFrom: onDay(10),
  batch: 1,
  quarantineTank: null,
  addOn: { p10: onDay(40), p50: onDay(42), p90: null },
  rule: 'quarantine' as never,
  because,
  pinned: false,
  override: null,
  rehomeBy: null,
  cares: [],
});
const plan = {
  tankId: builder.tankId,
  at: onDay(1),
  items: [item('Firefish', '=SUM(A1); quarantine "first", then it')],
  refused: [{ wishId: 'w', species: 'y', name: 'Shark', because: 'it outgrows every tank' }],
  remarks: [],
} as unknown as Plan;

describe('the plan as a sheet', () => {
  const [sheet] = planSheet(builder.log(), [plan]);

  it('has a row for each animal with its days, and what is not planned with its reason', () => {
    const [table] = textWorkbook(sheet?.csv ?? '').sheets;
    expect(table?.rows.filter((row) => row.length > 1)).toEqual([
      ['tank', 'animal', 'count', 'day', 'from', 'until', 'quarantine from', 'why'],
      [
        'Reef',
        'Firefish',
        '2',
        '2026-04-13',
        '2026-04-11',
        '',
        '2026-03-12',
        '=SUM(A1); quarantine "first", then it',
      ],
      ['Reef', 'Shark', '', '', '', '', '', 'not planned: it outgrows every tank'],
    ]);
    // What a spreadsheet would take for a formula is made harmless.
    expect(sheet?.csv).toContain("'=SUM(A1)");
  });

  it('goes along with everything else, and is left out where there is none', () => {
    const files = unzipSync(sheetsArchive(builder.log(), [plan]));
    expect(strFromU8(files['plan.csv'] ?? new Uint8Array())).toContain('Firefish');
    expect(Object.keys(unzipSync(sheetsArchive(builder.log())))).not.toContain('plan.csv');
  });
});
