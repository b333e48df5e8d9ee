import fc from 'fast-check';
import { PROTOCOLS } from '@/core/quarantine/protocols';
import type { Medicine } from '@/core/records/schema/medicine';
import { formOfMedicine, NEW_MEDICINE, readMedicine } from './medicineFields';
import { formOfProtocol, readProtocol } from './protocolFields';

const errorsOf = (reading: { ok: boolean; errors?: object }) =>
  reading.ok ? [] : Object.keys(reading.errors ?? {});

describe('a label that is typed', () => {
  const anyMedicine: fc.Arbitrary<Medicine> = fc
    .record({
      name: fc.constantFrom('Gill bath', 'Tap conditioner', 'Blue one'),
      kind: fc.constantFrom('copper', 'antibiotic', 'other') satisfies fc.Arbitrary<
        Medicine['kind']
      >,
      low: fc.integer({ min: 1, max: 500 }),
      width: fc.integer({ min: 0, max: 500 }),
      strength: fc.option(fc.integer({ min: 1, max: 9000 }), { nil: undefined }),
      days: fc.option(fc.integer({ min: 1, max: 120 }), { nil: undefined }),
      flags: fc.tuple(fc.boolean(), fc.boolean(), fc.boolean(), fc.boolean()),
    })
    .map(({ name, kind, low, width, strength, days, flags }) => ({
      name,
      kind,
      target: { low: low / 100, high: (low + width) / 100 },
      unit: 'mg/L',
      ...(strength === undefined ? {} : { strength: strength / 10 }),
      ...(days === undefined ? {} : { days }),
      lowersOxygen: flags[0],
      harmsFilter: flags[1] ? ('yes' as const) : ('unknown' as const),
      harmsInvertebrates: flags[2],
      carbonOut: flags[3],
      reducing: 'no' as const,
    }));

  it('reads back as what it was made of', () => {
    fc.assert(
      fc.property(anyMedicine, (medicine) => {
        expect(readMedicine(formOfMedicine(medicine))).toEqual({ ok: true, value: medicine });
      }),
    );
  });

  it('says at its field what is wrong, and takes the worse of what a binder leaves unsaid', () => {
    const read = (changes: Partial<typeof NEW_MEDICINE>) =>
      readMedicine({ ...NEW_MEDICINE, name: 'Gill bath', ...changes });
    expect(errorsOf(readMedicine(NEW_MEDICINE))).toEqual(['name']);
    expect(errorsOf(read({ low: '2' }))).toEqual(['high']);
    expect(errorsOf(read({ high: '2' }))).toEqual(['low']);
    expect(errorsOf(read({ low: '5', high: '2' }))).toEqual(['high']);
    expect(errorsOf(read({ strength: '-1' }))).toEqual(['strength']);
    expect(errorsOf(read({ days: 'soon' }))).toEqual(['days']);
    expect(errorsOf(read({ name: 'x'.repeat(400) }))).toEqual(['name']);
    // A binder has neither range nor days: what stood in those fields is left behind.
    expect(read({ kind: 'binder', low: '5', high: '2' })).toMatchObject({
      ok: true,
      value: { kind: 'binder', reducing: 'unknown' },
    });
    expect(read({ reducing: 'yes' })).toMatchObject({ ok: true, value: { reducing: 'no' } });
  });
});

describe('a protocol that is typed', () => {
  it('reads back as what it was, every one of ours', () => {
    for (const protocol of PROTOCOLS) {
      expect(readProtocol(protocol, formOfProtocol(protocol))).toMatchObject({
        ok: true,
        value: {
          name: protocol.name,
          days: protocol.days,
          stages: protocol.stages,
          release: protocol.release,
        },
      });
    }
  });

  it('puts stages in the order of their days, and leaves out empty lines', () => {
    const [observe] = PROTOCOLS;
    if (!observe) throw new Error('none');
    const form = formOfProtocol(observe);
    const read = readProtocol(observe, {
      ...form,
      stages: [
        {
          name: 'Late',
          fromDay: '20',
          does: 'Look once more\n\n  ',
          onSign: false,
          treats: false,
          afterHeld: false,
        },
        {
          name: 'Early',
          fromDay: '2',
          does: 'Feed little',
          onSign: false,
          treats: false,
          afterHeld: false,
        },
      ],
      tests: { ...form.tests, ammonia: '', salinity: '9' },
    });
    if (!read.ok) throw new Error('refused');
    expect(read.value.stages.map(({ name, does }) => [name, does])).toEqual([
      ['Early', ['Feed little']],
      ['Late', ['Look once more']],
    ]);
    expect(read.value.tests.find(({ parameter }) => parameter === 'ammonia')).toBeUndefined();
    expect(read.value.tests.find(({ parameter }) => parameter === 'salinity')?.everyDays).toBe(9);
  });

  it('says at its field what is wrong', () => {
    const [observe] = PROTOCOLS;
    if (!observe) throw new Error('none');
    const form = formOfProtocol(observe);
    const wrong = (changes: Partial<typeof form>) =>
      errorsOf(readProtocol(observe, { ...form, ...changes }));
    expect(wrong({ days: '3.5' })).toEqual(['days']);
    expect(wrong({ days: '' })).toEqual(['days']);
    expect(wrong({ name: 'x' })).toEqual(['name']);
    expect(wrong({ trades: '' })).toEqual(['trades']);
    expect(wrong({ restarts: '' })).toEqual(['restarts']);
    expect(wrong({ release: 'no' })).toEqual(['release']);
    expect(wrong({ tests: { ammonia: '0' } })).toEqual(['tests']);
    expect(
      wrong({
        stages: [
          {
            name: 'Watch',
            fromDay: '-1',
            does: 'Look',
            onSign: false,
            treats: false,
            afterHeld: false,
          },
        ],
      }),
    ).toEqual(['stages']);
    expect(
      wrong({
        stages: [
          {
            name: 'Watch',
            fromDay: '1',
            does: ' ',
            onSign: false,
            treats: false,
            afterHeld: false,
          },
        ],
      }),
    ).toEqual(['stages']);
  });
});
