import { View } from 'react-native';
import { toppedWithFresh } from '@/core/acclimation/live';
import { METHOD_WORDS, type Method } from '@/core/acclimation/method';
import { COUNTABLE, type AcclimationPlan } from '@/core/acclimation/plan';
import { formatIn } from '@/core/parameters/convert';
import { unitFor } from '@/core/records/schema/settings';
import { countOf, formatPlain } from '@/core/units/format';
import { useAppSelector } from '@/store/hooks';
import { selectSettings } from '@/store/selectors';
import { DripCurve } from '@/ui/drip/DripCurve';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { InsteadRows } from '../InsteadRows';

/** What the one button of a plan does and says; nothing to press where it only says what is in the way. */
export interface PlanAction {
  label: string;
  onPress?: () => void;
}

/** The way in with its sums, what else could be done, and the beginning of it. */
export function PlanPart({
  plan,
  netLitres,
  onChoose,
  action,
}: {
  plan: AcclimationPlan;
  netLitres: number;
  onChoose: (method: Method) => void;
  action: PlanAction;
}) {
  const settings = useAppSelector(selectSettings);
  const { method, minutes, drip, course, litresDrawn, pourOffs, dropsPerSecond } = plan;
  const volume = (litres: number) => formatIn(litres, settings.volumeUnit, 1);
  const ppt = (value: number) => formatIn(value, unitFor(settings, 'salinity'));
  const first = course[0];
  return (
    <View style={{ gap: 12 }}>
      <SectionHead
        title={METHOD_WORDS[method]}
        end={
          plan.daysToMatch > 0
            ? countOf(plan.daysToMatch, 'day')
            : minutes > 0
              ? `${minutes} minutes`
              : ''
        }
      />
      {drip && first ? (
        <>
          <Words as="body">
            {dropsPerSecond <= COUNTABLE
              ? `**${formatPlain(dropsPerSecond, 1)} drops a second**, ${formatPlain(plan.mlPerMinute, 0)} mL a minute.`
              : `A thin stream, **${formatPlain(plan.mlPerMinute, 0)} mL a minute**: a cup filled for a minute tells. Less water in the bucket drips slower.`}
          </Words>
          <Words as="body">
            {`${volume(litresDrawn)} of the tank go into it${pourOffs.length > 0 ? `; poured off ${pourOffs.length === 1 ? 'once, ' : `${pourOffs.length} times, first `}after ${formatPlain(pourOffs[0]?.minute ?? 0, 0)} minutes` : ''}. As much salt water goes back before the top-off unit is on.`}
          </Words>
          <DripCurve
            points={course}
            tank={drip.tank.salinity}
            now={null}
            tankLabel={`tank ${ppt(drip.tank.salinity)}`}
            bagLabel={`bag ${ppt(drip.bag.salinity)}`}
            nowLabel=""
            summary={`From ${ppt(drip.bag.salinity)} to ${ppt(course.at(-1)?.salinity ?? 0)} in ${minutes} minutes; the tank is at ${ppt(drip.tank.salinity)}.`}
          />
          {litresDrawn > netLitres * 0.02 ? (
            <Remark tone="caution" title="It thins a tank of this size">
              {`Topped with fresh water it would fall to ${ppt(toppedWithFresh(drip.tank.salinity, netLitres, litresDrawn))}: the unit stays off until salt water has gone back.`}
            </Remark>
          ) : null}
        </>
      ) : null}
      {plan.ammoniaFactor !== null && plan.ammoniaFactor > 1.5 ? (
        <Remark tone="caution" title={`Free ammonia × ${formatPlain(plan.ammoniaFactor, 0)}`}>
          When the bag is opened and its pH rises to the tank's: what was harmless in it burns
          gills.
        </Remark>
      ) : null}
      {plan.alternatives.map(({ method: other, because }) => (
        <Row
          key={other}
          title={`Or: ${METHOD_WORDS[other].toLowerCase()}`}
          note={because}
          onPress={() => onChoose(other)}
        />
      ))}
      {plan.nextBest.length > 0 ? (
        <View style={{ gap: 8 }}>
          <SectionHead title="If you cannot do that" />
          <InsteadRows rows={plan.nextBest} />
        </View>
      ) : null}
      <Button
        kind="primary"
        disabled={!action.onPress}
        label={action.label}
        onPress={() => action.onPress?.()}
      />
    </View>
  );
}
