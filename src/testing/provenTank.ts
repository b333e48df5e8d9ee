import type { DoneRuleChoice } from '../core/records/schema/tank';
import { LogBuilder, onDay } from './logBuilder';

/** Ammonia and nitrite read at zero in one test session. */
export function zeros(builder: LogBuilder, at: number): void {
  builder.ammonia(at, 0);
  builder.nitrite(at, 0);
}

/** Dosed, seen, cleared on day 20, held to day 27; a second dose on day 27 gone a day later. */
export function provenTank(choice: DoneRuleChoice): LogBuilder {
  const builder = new LogBuilder({ doneRule: choice });
  builder.dose(onDay(1), 2, { substance: 'bacteria', amount: { by: 'mL', mL: 100 } });
  builder.dose(onDay(1), 2);
  builder.ammonia(onDay(2), 2);
  builder.ammonia(onDay(9), 0);
  builder.nitrite(onDay(9), 2);
  builder.nitrate(onDay(14), 5);
  zeros(builder, onDay(20));
  builder.nitrate(onDay(20), 10);
  zeros(builder, onDay(27));
  builder.nitrate(onDay(27), 10);
  builder.dose(onDay(27, 13), 2);
  zeros(builder, onDay(28, 13));
  builder.conditions(onDay(28));
  return builder;
}
