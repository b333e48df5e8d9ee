import { settings } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(settings, 'SettingsScreen');
