import { type KeyboardEvent, type PointerEvent, type RefObject, useEffect, useRef } from 'react';
import { type CupAt, LIQUOR_SHARE } from '#core/colour';
import type { StyleId } from '#core/styles';
import type { Cups } from './cups';
import { photoWorker } from './photo';

/** Larger files are no photo of a cup. */

export type Picture = {
  readonly bitmap: ImageBitmap;
  readonly width: number;
  readonly height: number;
  /** The style of a made-up photo; null: a real one. */ readonly madeUp: StyleId | null;
};

/** The picture with its circles: dragged, or moved by keys. */
export function Photo({
  picture,
  cups,
  beside,
  onMove,
}: {
  picture: Picture;
  cups: Cups;
  beside: boolean;
  onMove: (c: Cups) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const held = useRef<keyof Cups | null>(null);
  useEffect(() => {
    canvas.current?.getContext('2d')?.drawImage(picture.bitmap, 0, 0);
  }, [picture]);
  const at = (e: PointerEvent<SVGElement>) => {
    const box =
      e.currentTarget.ownerSVGElement?.getBoundingClientRect() ??
      e.currentTarget.getBoundingClientRect();
    return {
      x: ((e.clientX - box.left) / box.width) * picture.width,
      y: ((e.clientY - box.top) / box.height) * picture.height,
    };
  };
  const put = (which: keyof Cups, c: Partial<CupAt>) => {
    const next = { ...cups[which], ...c };
    onMove({
      ...cups,
      [which]: {
        x: Math.max(0, Math.min(picture.width, next.x)),
        y: Math.max(0, Math.min(picture.height, next.y)),
        r: Math.max(20, Math.min(picture.height, next.r)),
        rim: null,
      },
    });
  };
  // A circle let go near a liquor lies down on its edge; moved by key it stays where it is put.
  const drop = (which: keyof Cups) => {
    held.current = null;
    void photoWorker()
      .snap(cups[which])
      .then((c) => onMove({ ...cups, [which]: c }));
  };
  const keyed = (which: keyof Cups) => (e: KeyboardEvent) => {
    const c = cups[which];
    const step = {
      ArrowLeft: { x: c.x - 1 },
      ArrowRight: { x: c.x + 1 },
      ArrowUp: { y: c.y - 1 },
      ArrowDown: { y: c.y + 1 },
      '+': { r: c.r + 2 },
      '-': { r: c.r - 2 },
    }[e.key];
    if (!step) return;
    e.preventDefault();
    e.stopPropagation();
    put(which, step);
  };
  const line = picture.width / 400;
  return (
    <div className="photo">
      <canvas ref={canvas} width={picture.width} height={picture.height} aria-hidden="true" />
      <svg viewBox={`0 0 ${picture.width} ${picture.height}`}>
        {(beside ? (['reference', 'sample'] as const) : (['sample'] as const)).map((which) => {
          const c = cups[which];
          return (
            <CircleOnPhoto
              key={which}
              which={which}
              c={c}
              keyed={keyed}
              held={held}
              put={put}
              at={at}
              drop={drop}
              line={line}
            />
          );
        })}
      </svg>
    </div>
  );
}

/** One circle over a cup: dragged, or moved by keys. */
function CircleOnPhoto({
  which,
  c,
  keyed,
  held,
  put,
  at,
  drop,
  line,
}: {
  which: 'reference' | 'sample';
  c: CupAt;
  keyed: (which: keyof Cups) => (e: KeyboardEvent) => void;
  held: RefObject<keyof Cups | null>;
  put: (which: keyof Cups, c: Partial<CupAt>) => void;
  at: (e: PointerEvent<SVGElement>) => { x: number; y: number };
  drop: (which: keyof Cups) => void;
  line: number;
}) {
  return (
    <g
      tabIndex={0}
      role="slider"
      aria-label={which === 'reference' ? 'Reference: the house cup' : 'Sample: this cup'}
      aria-valuenow={Math.round(c.x)}
      aria-valuetext={`${Math.round(c.x)} across, ${Math.round(c.y)} down, ${Math.round(c.r)} wide`}
      onKeyDown={keyed(which)}
      onPointerDown={(e) => {
        held.current = which;
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => {
        if (held.current === which) put(which, at(e));
      }}
      onPointerUp={() => drop(which)}
    >
      <circle
        cx={c.x}
        cy={c.y}
        r={c.r * LIQUOR_SHARE}
        fill="transparent"
        stroke="#fff"
        strokeWidth={line * 2.4}
      />
      <circle
        cx={c.x}
        cy={c.y}
        r={c.r * LIQUOR_SHARE}
        fill="none"
        stroke="#14191d"
        strokeWidth={line * 1.6}
        strokeDasharray={`${line * 5} ${line * 4}`}
      />
      <rect
        x={c.x - line * 44}
        y={c.y + c.r * 1.36}
        width={line * 88}
        height={line * 13}
        fill="#14191d"
      />
      <text
        x={c.x}
        y={c.y + c.r * 1.36 + line * 9.4}
        fontSize={line * 8.4}
        fill="#fff"
        textAnchor="middle"
      >
        {which === 'reference' ? 'reference: house' : 'sample: this cup'}
      </text>
    </g>
  );
}
