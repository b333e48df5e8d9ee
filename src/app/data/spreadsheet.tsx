import { data, sheets } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const SpreadsheetScreen = partOf(sheets, 'SpreadsheetScreen');

export default function Route() {
  return (
    <SpreadsheetScreen
      remember={async (origin, fresh) => (await data.fetch()).rememberBrought(origin, fresh)}
    />
  );
}
