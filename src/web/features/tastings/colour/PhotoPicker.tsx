import { type KeyboardEvent, type PointerEvent, useEffect, useRef } from 'react';
import { type CupAt, LIQUOR_SHARE } from '#core/colour';
import type { StyleId } from '#core/styles';
import type { Cups } from './cups';
import { photoWorker } from './photo';

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
    void photoWorker()
      .snap(cups[which])
      .then((c) => onMove({ ...cups, [which]: c }));
  };
  const line = picture.width / 400;
  return (
    <div className="photo">
      <canvas ref={canvas} width={picture.width} height={picture.height} aria-hidden="true" />
      <svg viewBox={`0 0 ${picture.width} ${picture.height}`}>
        {(beside ? (['reference', 'sample'] as const) : (['sample'] as const)).map((which) => (
          <CircleOnPhoto
            key={which}
            which={which}
            cup={cups[which]}
            line={line}
            placeOf={at}
            onPut={(c) => put(which, c)}
            onDrop={() => drop(which)}
          />
        ))}
      </svg>
    </div>
  );
}

/** One circle over a cup: dragged, or moved by keys. */
function CircleOnPhoto({
  which,
  cup: c,
  line,
  placeOf,
  onPut,
  onDrop,
}: {
  which: keyof Cups;
  cup: CupAt;
  /** A thin line's width in the picture's own pixels. */
  line: number;
  /** Where in the picture the hand is. */
  placeOf: (e: PointerEvent<SVGElement>) => { x: number; y: number };
  onPut: (c: Partial<CupAt>) => void;
  onDrop: () => void;
}) {
  const held = useRef(false);
  const onKey = (e: KeyboardEvent) => {
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
    onPut(step);
  };
  return (
    <g
      tabIndex={0}
      role="slider"
      aria-label={which === 'reference' ? 'Reference: the house cup' : 'Sample: this cup'}
      aria-valuenow={Math.round(c.x)}
      aria-valuetext={`${Math.round(c.x)} across, ${Math.round(c.y)} down, ${Math.round(c.r)} wide`}
      onKeyDown={onKey}
      onPointerDown={(e) => {
        held.current = true;
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => {
        if (held.current) onPut(placeOf(e));
      }}
      onPointerUp={() => {
        held.current = false;
        onDrop();
      }}
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
