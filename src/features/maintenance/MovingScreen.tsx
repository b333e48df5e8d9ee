import { MoveScreen } from './MoveScreen';
import { AddTankScreen } from './AddTankScreen';
import { CloseTankScreen } from './CloseTankScreen';

/** Moving to another tank, adding one, closing one. */
export function MovingScreen({ what }: { what: string }) {
  if (what === 'add') return <AddTankScreen />;
  return what === 'close' ? <CloseTankScreen /> : <MoveScreen />;
}
