// What the measuring scripts hang on a page's window, and what the library's types do not know of yet.
interface Window {
  found: { lcp: number; cls: number; blocked: number };
  took: { touch: number; ms: number }[];
  long: number[];
  realNow: () => number;
  sleepAnHour: () => void;
}
interface PerformanceEntry {
  readonly hadRecentInput?: boolean;
  readonly value?: number;
  readonly interactionId?: number;
}
interface PerformanceObserverInit {
  durationThreshold?: number;
}
