import type { Folder } from '@/storage/folderHandle';

/** Hands the person a file under a name. */
export function download(name: string, text: BlobPart, type = 'application/json'): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  document.body.append(link);
  link.click();
  link.remove();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** Whether the browser hands files to other apps, as phones do. */
export function canSendFiles(): boolean {
  const file = new File(['{}'], 'log.json', { type: 'application/json' });
  return navigator.canShare?.({ files: [file] }) ?? false;
}

/** Hands a file to another app by the system's own sheet. @returns whether it was taken */
export async function sendFile(name: string, text: string): Promise<boolean> {
  const file = new File([text], name, { type: 'application/json' });
  // Whoever closes the sheet has sent nothing, which is no failure.
  return navigator.share({ files: [file] }).then(
    () => true,
    () => false,
  );
}

/** Lets the person choose a file; null when they chose none. @param accept what is offered, as an input takes it */
function chooseFile(accept: string): Promise<File | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => resolve(input.files?.[0] ?? null);
    input.oncancel = () => resolve(null);
    input.click();
  });
}

/** A file that was chosen; its bytes are null where the browser could not read it. */
export interface ChosenFile {
  name: string;
  bytes: Uint8Array<ArrayBuffer> | null;
}

async function chooseBytes(accept: string): Promise<ChosenFile | null> {
  const file = await chooseFile(accept);
  if (!file) return null;
  const bytes = await file.arrayBuffer().catch(() => null);
  return { name: file.name, bytes: bytes && new Uint8Array(bytes) };
}

/** Lets the person choose a file that Zoarium saved; null when they chose none. */
export const chooseSavedFile = (): Promise<ChosenFile | null> =>
  chooseBytes('.json,application/json');

/** Lets the person choose a spreadsheet; null when they chose none. */
export const chooseSheetFile = (): Promise<ChosenFile | null> =>
  chooseBytes('.csv,.tsv,.txt,.xlsx,text/csv,text/plain');

/** Lets the person take or choose a picture; null when they chose none. */
export function choosePicture(): Promise<File | null> {
  return chooseFile('image/*');
}

type Picker = (options: { mode: 'readwrite'; id: string }) => Promise<Folder>;
const picker = (): Picker | undefined =>
  (window as { showDirectoryPicker?: Picker }).showDirectoryPicker;

/** Whether the browser hands folders over. */
export const canChooseFolder = (): boolean => picker() !== undefined;

/** Lets the person choose a folder; null when they chose none. */
export async function pickFolder(): Promise<
  { ok: true; folder: Folder } | { ok: false; why: string } | null
> {
  try {
    const folder = await picker()?.call(window, { mode: 'readwrite', id: 'zoarium' });
    return folder ? { ok: true, folder } : null;
  } catch (error) {
    // Whoever closes the picker has chosen nothing, which is no failure.
    if (error instanceof Error && error.name === 'AbortError') return null;
    return { ok: false, why: 'The browser does not hand that folder over: choose another one' };
  }
}
