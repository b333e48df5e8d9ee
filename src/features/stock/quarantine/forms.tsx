import { lazy, Suspense, type ComponentProps } from 'react';
import type { MedicineForm as MedicineFormType } from './MedicineForm';
import type { ProtocolForm as ProtocolFormType } from './ProtocolForm';

// With the form engine, which comes in one piece with every other form.
const LazyMedicine = lazy(async () => ({
  default: (await import('../../formScreens')).MedicineForm,
}));
const LazyProtocol = lazy(async () => ({
  default: (await import('../../formScreens')).ProtocolForm,
}));

export function MedicineForm(props: ComponentProps<typeof MedicineFormType>) {
  return (
    <Suspense fallback={null}>
      <LazyMedicine {...props} />
    </Suspense>
  );
}

export function ProtocolForm(props: ComponentProps<typeof ProtocolFormType>) {
  return (
    <Suspense fallback={null}>
      <LazyProtocol {...props} />
    </Suspense>
  );
}
