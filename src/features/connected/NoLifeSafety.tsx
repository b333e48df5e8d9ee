import { Remark } from '@/ui/Remark';

/** What no page in a browser can be. */
export function NoLifeSafety() {
  return (
    <Remark tone="caution" title="No alarm to stake lives on">
      A closed browser or a sleeping phone cannot wake anyone. Guards that work by themselves come
      first: a second thermostat, a float that cuts the pump, an alarm that calls.
    </Remark>
  );
}
