import { createRecord } from '../core/records/acts';
import type { Medicine } from '../core/records/schema/medicine';
import type { LogBuilder } from './logBuilder';

/** Puts a medicine on record whose label says nothing but what is told. */
export function labelled(
  builder: LogBuilder,
  medicine: Partial<Medicine>,
  id: string = builder.newId(),
): string {
  builder.revisions.push(
    createRecord(builder.stamp(), id, 'medicine', {
      name: 'From a bottle',
      kind: 'other',
      lowersOxygen: false,
      harmsFilter: 'unknown',
      harmsInvertebrates: false,
      carbonOut: false,
      reducing: 'no',
      ...medicine,
    }),
  );
  return id;
}
