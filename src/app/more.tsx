import { MoreScreen } from '@/features/shell/MoreScreen';
import { kept } from '@/features/shell/kept';

export default kept('/more', MoreScreen);
