import { lazy, Suspense, type ComponentProps } from 'react';
import { View } from 'react-native';
import type { TimeChart as TimeChartType } from './chart/TimeChart';
import type { Course as CourseType } from './course/Course';
import type { DemandBarProps } from './demand/DemandBar';
import type { BarsChartProps } from './bars/BarsChart';
import type { ReadingScaleProps } from './scale/ReadingScale';
import type { SketchProps } from './sketch/Sketch';

const LazyCourse = lazy(async () => ({ default: (await import('./drawings')).Course }));
const LazyTimeChart = lazy(async () => ({ default: (await import('./drawings')).TimeChart }));
const LazyScale = lazy(async () => ({ default: (await import('./drawings')).ReadingScale }));
const LazyDemandBar = lazy(async () => ({ default: (await import('./drawings')).DemandBar }));
const LazyBars = lazy(async () => ({ default: (await import('./drawings')).BarsChart }));
const LazySketch = lazy(async () => ({ default: (await import('./drawings')).Sketch }));

/** Heights held free while a drawing is fetched, so that nothing below it jumps, px. */
const COURSE_ROOM = 132;
const CHART_ROOM = 232;
const SCALE_ROOM = 380;
const SKETCH_ROOM = 120;
const DEMAND_ROOM = 112;
const BARS_ROOM = 168;

/** The course of a tank, fetched with the first drawing. */
export function Course(props: ComponentProps<typeof CourseType>) {
  return (
    <Suspense fallback={<View style={{ height: COURSE_ROOM }} aria-busy />}>
      <LazyCourse {...props} />
    </Suspense>
  );
}

/** Series over time, fetched with the first drawing. */
export function TimeChart(props: ComponentProps<typeof TimeChartType>) {
  return (
    <Suspense fallback={<View style={{ height: props.height ?? CHART_ROOM }} aria-busy />}>
      <LazyTimeChart {...props} />
    </Suspense>
  );
}

/** The scale of an instrument read by eye, fetched with the first drawing. */
export function ReadingScale(props: ReadingScaleProps) {
  return (
    <Suspense fallback={<View style={{ height: SCALE_ROOM }} aria-busy />}>
      <LazyScale {...props} />
    </Suspense>
  );
}

/** The small drawing of a sum, fetched with the first drawing. */
export function Sketch(props: SketchProps) {
  return (
    <Suspense fallback={<View style={{ height: SKETCH_ROOM }} aria-busy />}>
      <LazySketch {...props} />
    </Suspense>
  );
}

/** What a tank makes against what it bears, fetched with the first drawing. */
export function DemandBar(props: DemandBarProps) {
  return (
    <Suspense fallback={<View style={{ height: DEMAND_ROOM }} aria-busy />}>
      <LazyDemandBar {...props} />
    </Suspense>
  );
}

/** Weeks or months as bars, fetched with the first drawing. */
export function BarsChart(props: BarsChartProps) {
  return (
    <Suspense fallback={<View style={{ height: BARS_ROOM }} aria-busy />}>
      <LazyBars {...props} />
    </Suspense>
  );
}
