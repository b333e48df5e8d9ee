import { useEffect, useState } from 'react';
import { View } from 'react-native';
import {
  dripBegan,
  dripOfRun,
  isUnseen,
  liveRunDrip,
  retimed,
  withCounted,
  withMeasured,
} from '@/core/acclimation/run';
import { useMeasures } from '@/frame/useMeasures';
import { formatIn, toCanonical } from '@/core/parameters/convert';
import type { RevisionOf } from '@/core/records/schema/revision';
import { unitFor } from '@/core/records/schema/settings';
import { withClock } from '@/core/runs/procedures/changes';
import { countdownWords, timeWords } from '@/core/time/words';
import { instant, MINUTE_MS } from '@/core/time/zone';
import { formatPlain, parseNumber } from '@/core/units/format';
import { unitSymbol } from '@/core/units/units';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { changeRun } from '@/store/runs';
import { selectSettings } from '@/store/selectors';
import { DripCurve } from '@/ui/drip/DripCurve';
import { Field } from '@/ui/Field';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { buzz, tone } from '@/ui/sound';
import { Figure, Words } from '@/ui/Words';
import { RateCounter } from './RateCounter';

/** The drip: how long still, what is expected in the bucket, and what measuring it changes. */
export function DripPart({
  run,
  now,
  zone,
  onMatched,
}: {
  run: RevisionOf<'run'>;
  now: number;
  zone: string;
  /** Goes on, with the litres that were drawn. */
  onMatched: (drawn: number) => void;
}) {
  const dispatch = useAppDispatch();
  const measured = useMeasures();
  const settings = useAppSelector(selectSettings);
  const [measuring, setMeasuring] = useState(false);
  const [counting, setCounting] = useState(false);
  const [salinity, setSalinity] = useTyped(`drip/${run.id}/salinity`);
  const [temperature, setTemperature] = useTyped(`drip/${run.id}/temperature`);
  const drip = dripOfRun(run.body);
  const unseen = isUnseen(run.body, now);
  useEffect(() => {
    if (!unseen) return;
    buzz([200, 100, 200]);
    tone(660, 0.6);
  }, [unseen]);
  const minutes = Number(run.body.given.minutes ?? 0);
  const began = dripBegan(run.body);
  const ppt = (value: number) => formatIn(value, unitFor(settings, 'salinity'));
  const celsius = (value: number) => formatIn(value, unitFor(settings, 'temperature'));
  if (began === null) {
    return (
      <View style={{ gap: 12 }}>
        <RateCounter wanted={drip.mlPerMinute} />
        <Button
          kind="primary"
          label={`It drips: ${minutes} minutes`}
          onPress={() =>
            void dispatch(
              changeRun(run, (body, at) => ({
                ...withClock(
                  body,
                  'drip',
                  new Date(instant(at) + minutes * MINUTE_MS).toISOString(),
                ),
                given: { ...body.given, dripBegan: at },
              })),
            )
          }
        />
      </View>
    );
  }
  const live = liveRunDrip(run.body, now);
  if (!live) return null;
  const ends = instant(run.body.clocks.drip ?? run.body.begunAt);
  const read = parseNumber(salinity);
  const canonical = read === null ? null : toCanonical(read, unitFor(settings, 'salinity'));
  const possible = canonical !== null && canonical >= 3 && canonical <= 50;
  const save = () => {
    if (canonical === null || !possible) return;
    const typed = parseNumber(temperature);
    void dispatch(
      changeRun(run, (body, at) => {
        const moment = instant(at);
        const celsius =
          typed === null ? undefined : toCanonical(typed, unitFor(settings, 'temperature'));
        return retimed(withMeasured(body, moment, canonical, celsius), moment);
      }),
    );
    setSalinity('');
    setTemperature('');
    setMeasuring(false);
  };
  const left = Math.max(0, ends - now);
  return (
    <View style={{ gap: 12 }}>
      <Figure value={countdownWords(left)} size={84} />
      <Words as="soft">
        {left > 0 ? `left, ends ${timeWords(ends, zone)}` : `ended ${timeWords(ends, zone)}`}
      </Words>
      <DripCurve
        points={live.course}
        tank={drip.tank.salinity}
        now={live.now}
        tankLabel={`tank ${ppt(drip.tank.salinity)}`}
        bagLabel={`bag ${ppt(drip.bag.salinity)}`}
        nowLabel={`${ppt(live.now.salinity)} expected`}
        summary={`Expected in the bucket now: ${ppt(live.now.salinity)}, ${celsius(live.now.temperature)}; the tank is at ${ppt(drip.tank.salinity)}, ${celsius(drip.tank.temperature)}.`}
      />
      <Words as="body">
        {`Expected now: ${ppt(live.now.salinity)} and ${celsius(live.now.temperature)}, ${measured(`${formatPlain(live.now.litres, 1)} L`)} in the bucket.`}
      </Words>
      {live.pace === 'tooSlow' ? (
        <Remark tone="watch" title="It runs too slowly">
          {`About ${formatPlain(live.factor * 100, 0)} % of what was set. Open the valve; a hose that rose above the tank's level stops by itself.`}
        </Remark>
      ) : live.pace === 'tooFast' ? (
        <Remark tone="caution" title="It runs too fast">
          {`About ${formatPlain(live.factor, 1)} times what was set: close the valve, above all for shrimps, snails and stars.`}
        </Remark>
      ) : unseen ? (
        <Remark tone="watch" title="Half of it is over, and nobody measured">
          A hose that stopped by itself shows only in the bucket: measure it, or count its drops.
        </Remark>
      ) : null}
      {counting ? (
        <RateCounter
          wanted={drip.mlPerMinute}
          onCounted={(mlPerMinute) => {
            setCounting(false);
            void dispatch(
              changeRun(run, (body, at) => {
                const moment = instant(at);
                return retimed(withCounted(body, moment, mlPerMinute), moment);
              }),
            );
          }}
        />
      ) : null}
      {measuring ? (
        <>
          <Field
            label="Salinity in the bucket"
            kind="number"
            unit={unitSymbol(unitFor(settings, 'salinity'))}
            value={salinity}
            error={
              salinity.trim() !== '' && !possible
                ? 'No water of an animal: measure it again.'
                : undefined
            }
            onChange={setSalinity}
          />
          <Field
            label="Temperature, if measured"
            kind="number"
            unit={unitSymbol(unitFor(settings, 'temperature'))}
            value={temperature}
            onChange={setTemperature}
          />
          <ButtonRow>
            <Button kind="primary" label="Note it" disabled={!possible} onPress={save} />
            <Button label="Leave it" onPress={() => setMeasuring(false)} />
          </ButtonRow>
        </>
      ) : (
        <Button
          kind={live.matched.salinity ? 'plain' : 'primary'}
          label="Measure now"
          onPress={() => setMeasuring(true)}
        />
      )}
      <LinkButton
        soft
        label={counting ? 'Leave the count' : 'Count its drops'}
        onPress={() => setCounting(!counting)}
      />
      <Button
        kind={live.matched.salinity ? 'primary' : 'plain'}
        label={live.matched.salinity ? 'Matched: go on' : 'Go on all the same'}
        onPress={() => onMatched(Math.round(live.drawn * 100) / 100)}
      />
    </View>
  );
}
