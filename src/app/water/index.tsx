import { kept } from '@/features/shell/kept';
import { dailyLife } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default kept('/water', partOf(dailyLife, 'WaterScreen'));
