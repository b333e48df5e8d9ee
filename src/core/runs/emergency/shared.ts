import { clocksOfSteps, type Procedure, type Step, type Urgency } from '../procedure';

/** A procedure of an emergency: begun without a question, its steps in any order. */
export function emergency(
  name: string,
  { also, ...urgent }: Urgency & { also: string },
  steps: readonly Step[],
): Procedure {
  return { name, also, urgent, steps, anyOrder: true, ...clocksOfSteps(steps) };
}

/** A test within the hour. */
export const testStep = (id: string, title: string, text: string): Step => ({
  id,
  kind: 'check',
  span: 'hour',
  title,
  text: text,
  opens: { form: 'reading', label: 'Log the test' },
});

/** Oxygen runs short before anything else does. */
export const air: Step = {
  id: 'air',
  kind: 'check',
  span: 'now',
  title: 'Air first',
  text: 'An air stone, a pump turned to the surface, the lid ajar: whatever is wrong, oxygen runs short first.',
};
