import { Component, lazy, Suspense, useState, type ComponentType, type ReactNode } from 'react';
import { View } from 'react-native';

/** A piece of the app that is fetched when it is first needed, or beforehand. */
export interface Piece<M> {
  /** Fetches it once; what failed is fetched anew after a moment. */
  fetch: () => Promise<M>;
  /** What it holds, once it is here. */
  here: () => M | undefined;
  /** How often it was begun to be fetched: what waits for it by one try must not wait for the next. */
  tries: () => number;
}

/** How long a piece that could not be had is not asked for again, so that one try tells one failure, ms. */
const FAILED_FOR_MS = 1000;

/** A piece by the import that fetches it. */
export function piece<M>(load: () => Promise<M>, clock: () => number = Date.now): Piece<M> {
  let here: { module: M } | undefined;
  let failedAt: number | undefined;
  let coming: Promise<M> | undefined;
  let tries = 0;
  const fetch = () => {
    if (failedAt !== undefined && clock() - failedAt >= FAILED_FOR_MS) {
      failedAt = undefined;
      coming = undefined;
    }
    if (!coming) {
      tries += 1;
      coming = load();
      coming.then(
        (module) => (here = { module }),
        () => (failedAt = clock()),
      );
    }
    return coming;
  };
  return {
    fetch,
    here: () => here?.module,
    tries: () => {
      // Begins the next try where the last one failed a while ago; whoever waits sees what it fails by.
      fetch().catch(() => undefined);
      return tries;
    },
  };
}

type PropsOf<C> = C extends ComponentType<infer P> ? P : never;

/**
 * A component of a piece by its name. Where the piece is here it is drawn at once: a lazy component waits a
 * moment even then, and React holds back what waited for 300 ms.
 */
export function partOf<M, K extends keyof M & string>(
  from: Piece<M>,
  name: K,
): ComponentType<PropsOf<M[K]>> {
  type Drawn = ComponentType<PropsOf<M[K]>>;
  let waiting: { Lazy: Drawn; tries: number } | undefined;
  const waitingFor = (): Drawn => {
    const tries = from.tries();
    if (waiting?.tries !== tries) {
      const Lazy = lazy(async () => ({ default: (await from.fetch())[name] as Drawn }));
      waiting = { Lazy: Lazy as unknown as Drawn, tries };
    }
    return waiting.Lazy;
  };
  return function Part(props: PropsOf<M[K]>) {
    // Chosen once: another component in its place would begin anew and lose what is typed in it.
    const [Chosen] = useState<Drawn>(() => {
      const module = from.here();
      return module ? (module[name] as Drawn) : waitingFor();
    });
    return <Chosen {...(props as PropsOf<M[K]> & object)} />;
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

/** Leaves out what fails within it, so that it takes no screen along. */
class LeftOut extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };
  static getDerivedStateFromError() {
    return { failed: true };
  }
  override render() {
    return this.state.failed ? null : this.props.children;
  }
}

/**
 * The same for what stands beside every screen: drawn once it is here, and left out where it could not be
 * had. What stands in place of a failed screen has it at its end as well, and would fail with it.
 */
export function besideOf<M, K extends keyof M & string>(
  from: Piece<M>,
  name: K,
): ComponentType<PropsOf<M[K]>> {
  const Part = partOf(from, name) as ComponentType<object>;
  return function Beside(props: PropsOf<M[K]>) {
    return (
      <LeftOut>
        <Suspense fallback={null}>
          <Part {...(props as object)} />
        </Suspense>
      </LeftOut>
    );
  };
}
