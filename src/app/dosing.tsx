import { dailyLife } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(dailyLife, 'DosingScreen');
