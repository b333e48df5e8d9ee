import { createContext, useContext } from 'react';

/** A kind of entry as it is offered for logging. */
export interface LogKind {
  path: string;
  label: string;
  hint: string;
  often?: true;
}

/** The kinds that can be logged: handed down, since each form stands in the table that lists them all. */
export const LogKinds = createContext<readonly LogKind[]>([]);

export function useLogKinds(): readonly LogKind[] {
  return useContext(LogKinds);
}
