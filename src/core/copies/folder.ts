import * as z from 'zod';
import { newestOfEach } from './snapshotKeeping';
import { jsonOf } from '../records/file/json';

/** The name of the file in a folder that says which of the files are ours. */
export const MANIFEST = 'zoarium-manifest.json';

/** A name that can be a file in that folder and nothing else. */
const nameSchema = z.string().regex(/^(photos\/)?[A-Za-z0-9._-]{1,120}$/);

/** A file that we wrote into a folder of the keeper's. */
const ownFileSchema = z.object({
  name: nameSchema,
  /** SHA-256 of what we wrote, as hex (FIPS 180-4). */
  hash: z.string().regex(/^[0-9a-f]{64}$/),
  /** When we wrote it, ms. */
  at: z.number(),
  /** Made anew each day, and thinned; what is not stays, as photos do. */
  dated: z.boolean(),
});
export type OwnFile = z.infer<typeof ownFileSchema>;

export const manifestSchema = z.object({
  format: z.literal('zoarium-folder'),
  version: z.literal(1),
  files: z.array(ownFileSchema),
});

/** The manifest as it lies in the folder. */
export function writeManifest(files: readonly OwnFile[]): string {
  return `${JSON.stringify({ format: 'zoarium-folder', version: 1, files }, null, 1)}\n`;
}

/** The files that a manifest names as ours; none where it is missing or damaged, so that nothing is let go. */
export function readManifest(text: string | null): OwnFile[] {
  return manifestSchema.safeParse(jsonOf(text ?? '')).data?.files ?? [];
}

/** The files that are still what we wrote: one that somebody changed, or took away, is ours no more. */
export function stillOurs(
  files: readonly OwnFile[],
  hashOf: Readonly<Record<string, string | null>>,
): OwnFile[] {
  return files.filter(({ name, hash }) => hashOf[name] === hash);
}

/** A name that nobody else's file has: `log.json`, else `log-2.json`. @param taken names that are not ours */
export function freeName(name: string, taken: ReadonlySet<string>): string {
  const dot = name.lastIndexOf('.');
  for (let n = 1; ; n += 1) {
    const tried = n === 1 ? name : `${name.slice(0, dot)}-${n}${name.slice(dot)}`;
    if (!taken.has(tried)) return tried;
  }
}

/** The dated files that are one too many: of each kind the newest of seven days, four weeks and twelve months stay. */
export function thinned(ours: readonly OwnFile[], zone: string): OwnFile[] {
  const dated = ours.filter((file) => file.dated);
  const kinds = [...new Set(dated.map(kindOf))];
  return kinds.flatMap((kind) => {
    const all = dated.filter((file) => kindOf(file) === kind);
    const stay = newestOfEach(all, zone);
    return all.filter((file) => !stay.has(file));
  });
}

/** "zoarium-log.json": the name of a file without its day. */
const kindOf = ({ name }: OwnFile): string => name.replace(/-\d{4}-\d{2}-\d{2}(-\d+)?/, '');
