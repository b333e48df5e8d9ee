import { actOfLabel } from './acts';
import { createSettling, type Box, type Sight } from './settling';

/** A press as its handler gets it: of a pointer, of a key, or of a program. */
export interface PressEvent {
  nativeEvent: object;
  preventDefault?: () => void;
}

/** Said of a target that takes no taps yet; `refused` where one was made all the same. */
const MARK = 'data-settling';
/** A scroll so long after the hand that began it is its own doing no more, ms. */
const HAND_MS = 400;

interface Watched {
  act: string | undefined;
  /** Where it lies in the page; found at the first look, when styles are worked out anyway. */
  place?: { scrollers: readonly Element[]; layer: Element | null };
}

interface Down {
  target: HTMLElement | null;
  act: string | undefined;
  refused: boolean;
}

const settling = createSettling<HTMLElement>();
const targets = new Map<HTMLElement, Watched>();
const scrolls = new WeakMap<Element, { left: number; top: number }>();
let asked = false;
let stale = false;
let down: Down | null = null;
let handUntil = 0;
let sweep: ReturnType<typeof setTimeout> | undefined;

const now = () => performance.now();

/** What a tap on it does: told, or what its name says. */
function actOf(node: HTMLElement, told: string | undefined): string {
  return told ?? actOfLabel(node.getAttribute('aria-label') ?? node.textContent ?? '');
}

const above = new WeakMap<Element, readonly Element[]>();
const NONE: readonly Element[] = [];

/** What may scroll an element's children, the nearest first: asked once for all that lie in it. */
function scrollersIn(element: Element | null): readonly Element[] {
  if (!element) return NONE;
  const known = above.get(element);
  if (known) return known;
  const { overflowX, overflowY } = getComputedStyle(element);
  const further = scrollersIn(element.parentElement);
  const found = /auto|scroll/.test(overflowX + overflowY) ? [element, ...further] : further;
  above.set(element, found);
  return found;
}

function placeOf(node: HTMLElement, watched: Watched): NonNullable<Watched['place']> {
  watched.place ??= {
    scrollers: scrollersIn(node.parentElement),
    layer: node.closest('[role="dialog"]'),
  };
  return watched.place;
}

const boxOf = ({ left, top, width, height }: DOMRect): Box | null =>
  width > 0 && height > 0 ? { left, top, width, height } : null;

/** The part of a box that lies within another. */
function within(box: Box | null, frame: Box | null): Box | null {
  if (!box || !frame) return null;
  const left = Math.max(box.left, frame.left);
  const top = Math.max(box.top, frame.top);
  const width = Math.min(box.left + box.width, frame.left + frame.width) - left;
  const height = Math.min(box.top + box.height, frame.top + frame.height) - top;
  return width > 0 && height > 0 ? { left, top, width, height } : null;
}

/** Looks at every target: which came, went, moved, or does something else now. */
function look(): void {
  stale = false;
  const sights = new Map<HTMLElement, Sight>();
  const frames = new Map<Element, Box | null>();
  const frameOf = (scroller: Element) => {
    const known = frames.get(scroller);
    if (known !== undefined) return known;
    const box = boxOf(scroller.getBoundingClientRect());
    frames.set(scroller, box);
    scrolls.set(scroller, { left: scroller.scrollLeft, top: scroller.scrollTop });
    return box;
  };
  const screen = { left: 0, top: 0, width: innerWidth, height: innerHeight };
  for (const [node, watched] of targets) {
    const { scrollers, layer } = placeOf(node, watched);
    const box = boxOf(node.getBoundingClientRect());
    const shown = scrollers.reduce<Box | null>(
      (part, scroller) => within(part, frameOf(scroller)),
      within(box, screen),
    );
    sights.set(node, { box, shown, layer, act: actOf(node, watched.act) });
  }
  settling.saw(sights, now());
  mark();
}

/** Says of those that settle that they do, until they have. */
function mark(): void {
  const unsettled = new Set(settling.unsettled(now()));
  let next = Infinity;
  for (const node of targets.keys()) {
    if (!unsettled.has(node)) node.removeAttribute(MARK);
    else {
      next = Math.min(next, settling.readyFrom(node) ?? Infinity);
      if (!node.hasAttribute(MARK)) node.setAttribute(MARK, '');
    }
  }
  clearTimeout(sweep);
  if (next < Infinity) sweep = setTimeout(mark, Math.max(0, next - now()));
}

/** Looks again before the next paint: what the page shows then is what a finger is on. */
function lookSoon(): void {
  stale = true;
  if (asked) return;
  asked = true;
  requestAnimationFrame(() => {
    asked = false;
    if (stale) look();
  });
}

/** A tap that a screen reader or a program makes has no finger under which things could slide. */
function isVirtual(event: PointerEvent): boolean {
  return !event.isTrusted || (event.width === 0 && event.height === 0);
}

function pressed(event: PointerEvent): void {
  if (stale) look();
  const at = event.target instanceof Element ? event.target : null;
  let target = at as HTMLElement | null;
  while (target && !targets.has(target)) target = target.parentElement;
  const from = target ? settling.readyFrom(target) : null;
  down = {
    target,
    act: target ? settling.actOf(target) : undefined,
    // The moment of the finger, not that at which a busy page comes to hear of it.
    refused: !isVirtual(event) && from !== null && event.timeStamp < from,
  };
}

/** What scrolls carries its targets along, unless it gives way to content that came or went. */
function scrolled(event: Event): void {
  const scroller = event.target instanceof Document ? event.target.scrollingElement : event.target;
  if (!(scroller instanceof Element)) return;
  const was = scrolls.get(scroller);
  const is = { left: scroller.scrollLeft, top: scroller.scrollTop };
  if (!was || (was.left === is.left && was.top === is.top)) return;
  const byHand = now() <= handUntil;
  if (byHand) handUntil = now() + HAND_MS;
  else if (stale) return;
  scrolls.set(scroller, is);
  const carried = [...targets].filter(([, { place }]) => place?.scrollers.includes(scroller));
  settling.carried(
    carried.map(([node]) => node),
    was.left - is.left,
    was.top - is.top,
  );
}

let begun = false;
function begin(): void {
  if (begun || typeof MutationObserver === 'undefined') return;
  begun = true;
  const observer = new MutationObserver(lookSoon);
  observer.observe(document.documentElement, {
    subtree: true,
    childList: true,
    characterData: true,
    attributeFilter: ['style', 'class', 'hidden', 'aria-label'],
  });
  for (const hand of ['wheel', 'touchmove', 'pointermove', 'keydown']) {
    const moved = (event: Event) => {
      if ('buttons' in event && event.buttons === 0 && event.type === 'pointermove') return;
      handUntil = now() + HAND_MS;
    };
    addEventListener(hand, moved, { capture: true, passive: true });
  }
  for (const moved of ['resize', 'animationend', 'transitionend'])
    addEventListener(moved, lookSoon);
  document.fonts?.addEventListener('loadingdone', lookSoon);
  addEventListener('scroll', scrolled, { capture: true, passive: true });
  addEventListener('pointerdown', pressed, { capture: true });
}

/** Watches over a target from now on; `act` is said where its name does not tell what it does. */
export function watch(node: HTMLElement, act?: string): () => void {
  begin();
  targets.set(node, { act });
  lookSoon();
  return () => {
    targets.delete(node);
    lookSoon();
  };
}

/**
 * Whether a press on a target is refused, since what it hit came under the finger a moment ago, or does
 * something else than when the finger came down. Keys, screen readers and programs always pass. A refused
 * press is seen: the target is dimmed until it takes taps.
 */
export function refuses(node: HTMLElement | null, event: PressEvent): boolean {
  const native = event.nativeEvent;
  const pointed = 'type' in native && !/^key/.test(String(native.type));
  const byProgram =
    'type' in native && native.type === 'click' && 'detail' in native && native.detail === 0;
  const press = down;
  if (!node || !pointed || byProgram || press?.target !== node) return false;
  if (stale) look();
  const refused = press.refused || settling.actOf(node) !== press.act;
  if (!refused) return false;
  event.preventDefault?.();
  if (node.hasAttribute(MARK)) node.setAttribute(MARK, 'refused');
  return true;
}
