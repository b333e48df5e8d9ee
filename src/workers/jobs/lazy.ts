import type { Jobs } from './client';

/** Jobs whose client is fetched with the first of them, out of the way of the first load. */
export function lazyJobs(): Jobs {
  let client: Promise<Jobs> | null = null;
  let ready: Jobs | null = null;
  const load = async (): Promise<Jobs> => {
    client ??= import('./client').then(({ browserJobs }) => browserJobs());
    ready = await client;
    return ready;
  };
  return {
    run: async (job, input, options) => (await load()).run(job, input, options),
    cancel: (lane) => ready?.cancel(lane),
    stop: () => ready?.stop(),
    forget: async () => (await load()).forget(),
  };
}
