import { tanks } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(tanks, 'TanksScreen');
