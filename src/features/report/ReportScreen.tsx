import { useMemo, type ComponentType } from 'react';
import { View } from 'react-native';
import { REPORT_CAUTION, reportOf } from '@/core/report/report';
import type { ReportSection } from '@/core/report/types';
import type { Forecast } from '@/core/cycle/forecast/types';
import type { ParameterId } from '@/core/parameters/registry';
import type { TankHistory } from '@/core/history/tankHistory';
import { DAY_MS } from '@/core/time/zone';
import { BackHead } from '@/frame/BackHead';
import { selectForecast, selectHistory, selectPlan, selectVerdict } from '@/store/inView';
import { selectBands, selectLog, selectNow, selectSettings } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { ReportTable } from './ReportTable';
import { useOnPaper } from './useOnPaper';
import type { ReportWords } from '@/core/report/words';
import { useReportWords } from './useReportWords';
import { useRenewedPlan } from './useRenewedPlan';

/** How far back the charts of a report go, days. */
const CHART_DAYS = 90;

/** What the charts of other screens are drawn by. */
export interface ReportCharts {
  Cycle: ComponentType<{
    history: TankHistory;
    forecast: Forecast | null;
    now: number;
    wide: boolean;
  }>;
  Parameter: ComponentType<{
    parameter: ParameterId;
    history: TankHistory;
    from: number;
    titled?: boolean;
  }>;
}

export interface ReportScreenProps {
  charts: ReportCharts;
  fetchWords: () => Promise<ReportWords>;
}

/** One document of the tank in view, to be read on a screen and printed on A4 or Letter. */
export function ReportScreen({ charts, fetchWords }: ReportScreenProps) {
  const log = useAppSelector(selectLog);
  const history = useAppSelector(selectHistory);
  const verdict = useAppSelector(selectVerdict);
  const forecast = useAppSelector(selectForecast);
  const plan = useAppSelector(selectPlan);
  const bands = useAppSelector(selectBands);
  const settings = useAppSelector(selectSettings);
  const now = useAppSelector(selectNow);
  const wide = useOnPaper();
  useRenewedPlan(history?.tankId);
  const words = useReportWords(fetchWords);
  const report = useMemo(() => {
    if (!history || !verdict || !words || words === 'failed') return null;
    const live = forecast?.fed ? forecast : null;
    const given = { log, history, now, bands, settings, verdict, forecast: live, plan };
    return reportOf(given, words);
  }, [log, history, now, bands, settings, verdict, forecast, plan, words]);
  if (history && words === 'failed') {
    return (
      <Screen head={<BackHead title="Report" />}>
        <Opening title="The report could not be put together.">
          A part of the app could not be fetched. Nothing of the log is lost: reload the page once
          the network is back.
        </Opening>
        <Button label="Reload the page" onPress={() => location.reload()} />
      </Screen>
    );
  }
  if (history && !report) return <Screen head={<BackHead title="Report" />}>{null}</Screen>;
  if (!report || !history) {
    return (
      <Screen head={<BackHead title="Report" />}>
        <Opening title="There is no tank to report on.">
          Set one up, and what is logged of it becomes one document for a shop, a club or a
          veterinarian.
        </Opening>
      </Screen>
    );
  }
  return (
    <Screen head={<BackHead title="Report" aside={history.tank.name} />}>
      <Opening title={`${report.title}, as it stands.`}>{report.dated}</Opening>
      <Button kind="primary" label="Print it, or save it as PDF" onPress={() => window.print()} />
      {report.sections.map((section) => (
        <Part
          key={section.id}
          section={section}
          history={history}
          now={now}
          wide={wide}
          {...charts}
        />
      ))}
      <Remark tone="caution" title="What it is not">
        {REPORT_CAUTION}
      </Remark>
    </Screen>
  );
}

function Part({
  section,
  history,
  now,
  wide,
  Cycle,
  Parameter,
}: ReportCharts & {
  section: ReportSection;
  history: TankHistory;
  now: number;
  wide: boolean;
}) {
  const { heading, lines, table, charts = [] } = section;
  const forecast = useAppSelector(selectForecast);
  const from = Math.max(history.start ?? 0, now - CHART_DAYS * DAY_MS);
  return (
    <View style={{ gap: space.s }}>
      <SectionHead title={heading} />
      {lines.map((line) => (
        <Words key={line} as="body">
          {line}
        </Words>
      ))}
      {table && table.rows.length > 0 ? <ReportTable table={table} wide={wide} /> : null}
      {section.cycle ? (
        <View role="list">
          <View role="listitem">
            <Cycle
              history={history}
              forecast={forecast?.fed ? forecast : null}
              now={now}
              wide={false}
            />
          </View>
        </View>
      ) : null}
      {charts.length > 0 ? (
        <View
          role="list"
          style={{ flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between' }}
        >
          {charts.map((parameter) => (
            <View
              key={parameter}
              role="listitem"
              style={{ width: wide ? '48%' : '100%', paddingTop: space.m }}
            >
              <Parameter parameter={parameter} history={history} from={from} titled />
            </View>
          ))}
        </View>
      ) : null}
    </View>
  );
}
