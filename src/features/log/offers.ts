import type { EntryKind } from '@/core/records/kinds';
import { logPath } from '@/frame/logPaths';
import { to } from '@/frame/addresses';
import type { Offer } from '@/frame/offer';
import { KIND_FORMS } from './forms';

/** What can be logged from anywhere. */
export const logOffers: readonly Offer[] = Object.entries(KIND_FORMS).flatMap(
  ([kind, { label, hint, also, hidden }]) =>
    hidden
      ? []
      : [
          {
            id: `log/${kind}`,
            kind: 'act' as const,
            title: kind === 'reading' ? 'Log a test' : `Log: ${label.toLowerCase()}`,
            note: hint,
            also,
            open: to.log(logPath(kind as EntryKind)),
          },
        ],
);
