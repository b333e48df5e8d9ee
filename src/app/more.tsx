import { dailyLife } from '@/features/pieces';
import { kept } from '@/features/shell/kept';
import { partOf } from '@/ui/piece';

export default kept('/more', partOf(dailyLife, 'MoreScreen'));
