import { runs } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(runs, 'EmergencyScreen');
