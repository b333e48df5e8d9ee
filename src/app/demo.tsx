import { rememberLog } from '@/features/shell/whichLog';
import { demo } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const DemoScreen = partOf(demo, 'DemoScreen');

export default function Demo() {
  return <DemoScreen remember={() => rememberLog('demo')} />;
}
