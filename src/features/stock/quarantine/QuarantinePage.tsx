import type { ComponentType } from 'react';
import type { QuarantinePage as Page } from '@/core/opens';
import { BackHead } from '@/frame/BackHead';
import { Opening, Screen } from '@/ui/Screen';
import { BeginScreen } from './BeginScreen';
import { MedicinesScreen } from './MedicinesScreen';
import { OutbreakScreen } from './OutbreakScreen';
import { ProtocolsScreen } from './ProtocolsScreen';
import { ReadinessScreen } from './ReadinessScreen';

type Given = Readonly<Record<string, string>>;

/** The pages under Quarantine by their address. */
const PAGES: Record<Page, ComponentType<{ given: Given }>> = {
  begin: BeginScreen,
  medicines: MedicinesScreen,
  protocols: ProtocolsScreen,
  readiness: ReadinessScreen,
  outbreak: OutbreakScreen,
};

const isPage = (name: string): name is Page => Object.hasOwn(PAGES, name);

/** What an address under Quarantine opens. */
export function QuarantinePage({ page, given }: { page: string; given: Given }) {
  const Found = isPage(page) ? PAGES[page] : undefined;
  if (Found) return <Found given={given} />;
  return (
    <Screen head={<BackHead title="Quarantine" />}>
      <Opening title="There is no such page.">Go back to Quarantine.</Opening>
    </Screen>
  );
}
