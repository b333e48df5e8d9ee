import { cycle, dailyLife, stock } from '@/features/pieces';
import { fetchReportWords } from '@/features/reportWords';
import { besideOf, partOf } from '@/ui/piece';

const ReportScreen = partOf(stock, 'ReportScreen');
const CHARTS = {
  Cycle: besideOf(cycle, 'CycleChart'),
  Parameter: besideOf(dailyLife, 'ParameterChart'),
};

export default function Route() {
  return <ReportScreen charts={CHARTS} fetchWords={fetchReportWords} />;
}
