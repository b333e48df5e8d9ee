import { data, sheets } from '@/features/pieces';
import { useAppSelector } from '@/store/hooks';
import { LOGS } from '@/store/services';
import { partOf } from '@/ui/piece';

const SpreadsheetScreen = partOf(sheets, 'SpreadsheetScreen');
const KeptAsRunScreen = partOf(data, 'KeptAsRunScreen');

export default function Route() {
  const leaves = useAppSelector(({ session }) => LOGS[session.which].leaves);
  if (!leaves) return <KeptAsRunScreen title="Spreadsheet" />;
  return (
    <SpreadsheetScreen
      remember={async (origin, fresh) => (await data.fetch()).rememberBrought(origin, fresh)}
    />
  );
}
