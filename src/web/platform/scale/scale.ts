import { useEffect, useSyncExternalStore } from 'react';
import { seeded } from '#core/numeric';
import { type Grams, grams } from '#core/units';
import { isSteady, lineCutter, readScaleLine, simulatedScale, type Weighed } from '#core/weighing';

// The scale on this counter: one a page, whichever it is. Its readings are not records until somebody takes one.

type ScaleKind = 'none' | 'serial' | 'made-up';
export type ScaleNow = {
  readonly kind: ScaleKind;
  readonly weight: Grams | null;
  readonly steady: boolean;
  readonly fault: string;
};

/** The part of Web Serial that is used. */
type SerialPort = {
  open(o: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
};
type Serial = { requestPort(): Promise<SerialPort> };
const serial = (): Serial | undefined => (navigator as Navigator & { serial?: Serial }).serial;
export const hasSerial = (): boolean => serial() !== undefined;

const KEPT = 60;
const SAMPLE_MS = 100;
/** Most kitchen scales with a serial port talk at this speed. */
export const BAUDS = [9600, 4800, 2400, 19200, 115_200] as const;

let readings: Weighed[] = [];
let zero = 0;
let now: ScaleNow = { kind: 'none', weight: null, steady: false, fault: '' };
let stop: (() => void) | null = null;
const listeners = new Set<() => void>();
const made = simulatedScale(seeded(77));

function show(over: Partial<ScaleNow>) {
  const next = { ...now, ...over };
  if (
    next.kind === now.kind &&
    next.weight === now.weight &&
    next.steady === now.steady &&
    next.fault === now.fault
  )
    return;
  now = next;
  listeners.forEach((l) => l());
}
function took(w: Weighed) {
  readings = [...readings.slice(-KEPT), w];
  show({
    weight: grams(Math.round((w.grams - zero) * 100) / 100),
    steady: isSteady(readings, w.at),
    fault: '',
  });
}
function ended(fault: string) {
  stop = null;
  readings = [];
  zero = 0;
  show({ kind: 'none', weight: null, steady: false, fault });
}

export const scale = {
  /** A made-up scale, to learn the flow with: `load` puts leaf on it. */
  useMadeUp(): void {
    stop?.();
    const timer = setInterval(() => took(made.read(performance.now())), SAMPLE_MS);
    stop = () => {
      clearInterval(timer);
      ended('');
    };
    show({ kind: 'made-up', fault: '' });
  },
  load: (g: number): void => made.load(grams(Math.max(0, g))),
  get loaded(): Grams {
    return made.loaded;
  },
  /** A scale that sends plain text lines over a serial port. */
  async useSerial(baudRate: number): Promise<void> {
    const port = await serial()
      ?.requestPort()
      .catch(() => null);
    if (!port) return show({ fault: 'No scale was chosen.' });
    stop?.();
    try {
      await port.open({ baudRate });
    } catch {
      return show({ fault: 'The scale’s port cannot be opened. Is something else using it?' });
    }
    const reader = port.readable?.getReader();
    if (!reader) return show({ fault: 'The scale sends nothing.' });
    let going = true;
    stop = () => {
      going = false;
      void reader
        .cancel()
        .catch(() => undefined)
        .then(() => port.close())
        .catch(() => undefined);
      ended('');
    };
    show({ kind: 'serial', weight: null, steady: false, fault: '' });
    const cut = lineCutter();
    const text = new TextDecoder();
    try {
      while (going) {
        const { value, done } = await reader.read();
        if (done) break;
        for (const line of cut(text.decode(value, { stream: true }))) {
          const read = readScaleLine(line);
          if (read?.kind === 'weight')
            took({ at: performance.now(), grams: read.grams, stable: read.stable });
          else if (read?.kind === 'overload')
            show({ weight: null, steady: false, fault: 'Too heavy for the scale.' });
        }
      }
    } catch {
      // Unplugged: said below.
    }
    if (going) ended('The scale is gone. Plug it in and choose it again.');
  },
  tare: (): void => {
    const last = readings.at(-1);
    if (!last) return;
    zero = last.grams;
    show({ weight: grams(0) });
  },
  leave: (): void => stop?.(),
};

const subscribe = (l: () => void) => {
  listeners.add(l);
  return () => {
    listeners.delete(l);
  };
};
/** What the scale shows now. Several times a second while one is connected. */
const useScale = (): ScaleNow => useSyncExternalStore(subscribe, () => now);

/** Puts nothing on the made-up scale once the page that used it is left. */
export function useScaleHere(): ScaleNow {
  useEffect(
    () => () => {
      made.load(grams(0));
    },
    [],
  );
  return useScale();
}
