import { photos } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(photos, 'PhotosScreen');
