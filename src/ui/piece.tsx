import { Suspense, use, type ComponentType } from 'react';
import { View } from 'react-native';

/** A piece of the app that is fetched when it is first needed, or beforehand. */
export interface Piece<M> {
  /** Fetches it once; what failed is fetched anew. */
  fetch: () => Promise<M>;
  /** What it holds, for a component that draws; waits by Suspense until it is here. Throws what failed. */
  useHere: () => M;
}

/** How long a piece that could not be had is not asked for again, so that one try tells one failure, ms. */
const FAILED_FOR_MS = 1000;

/**
 * A piece by the import that fetches it. Once it is here its components draw at once: a lazy component
 * waits a moment even then, and React holds back what waited for 300 ms.
 */
export function piece<M>(load: () => Promise<M>, clock: () => number = Date.now): Piece<M> {
  let here: { module: M } | undefined;
  let failed: { error: unknown; at: number } | undefined;
  let coming: Promise<M> | undefined;
  const fetch = () => {
    coming ??= load().then(
      (module) => {
        here = { module };
        return module;
      },
      (error: unknown) => {
        failed = { error, at: clock() };
        coming = undefined;
        throw error;
      },
    );
    return coming;
  };
  return {
    fetch,
    useHere: () => {
      if (here) return here.module;
      if (failed && clock() - failed.at < FAILED_FOR_MS) throw failed.error;
      return use(fetch());
    },
  };
}

type PropsOf<C> = C extends ComponentType<infer P> ? P : never;

/** A component of a piece by its name, drawn as soon as the piece is here. */
export function partOf<M, K extends keyof M & string>(
  from: Piece<M>,
  name: K,
): ComponentType<PropsOf<M[K]>> {
  return function Part(props: PropsOf<M[K]>) {
    const Component = from.useHere()[name] as ComponentType<PropsOf<M[K]>>;
    return <Component {...(props as PropsOf<M[K]> & object)} />;
  };
}

/** The same with room held free for it while it is fetched, so that nothing below it jumps, px. */
export function roomFor<M, K extends keyof M & string>(
  from: Piece<M>,
  name: K,
  room: number | ((props: PropsOf<M[K]>) => number),
): ComponentType<PropsOf<M[K]>> {
  const Part = partOf(from, name) as ComponentType<object>;
  return function Roomed(props: PropsOf<M[K]>) {
    const height = typeof room === 'number' ? room : room(props);
    return (
      <Suspense fallback={<View style={{ height }} aria-busy />}>
        <Part {...(props as object)} />
      </Suspense>
    );
  };
}
