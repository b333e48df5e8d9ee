import { connected } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(connected, 'ConnectedScreen');
