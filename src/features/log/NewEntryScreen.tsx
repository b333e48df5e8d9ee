import { Redirect } from 'expo-router';
import { createElement } from 'react';
import { to } from '@/frame/addresses';
import { movedTo } from '@/frame/moved';
import { formAt, LOG_KINDS } from './forms';
import { LogKinds } from './logKinds';

/** Opens the form at an address, begun with what the address hands over. */
export function NewEntryScreen({
  path,
  given,
}: {
  path: string;
  given: Readonly<Record<string, string>>;
}) {
  const form = formAt(path);
  if (!form) return <Redirect href={movedTo(to.log(path, given)) ?? to.log('test')} />;
  return (
    <LogKinds.Provider value={LOG_KINDS}>
      {createElement(form, { key: path, given })}
    </LogKinds.Provider>
  );
}
