import { data } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(data, 'DevicesScreen');
