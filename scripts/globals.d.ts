// What the measuring scripts hang on a page's window, and what the library's types do not know of yet.
interface Window {
  found: { lcp: number; cls: number; blocked: number };
  took: any[];
  long: any[];
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
