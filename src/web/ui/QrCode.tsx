import { useEffect, useState } from 'react';

/** A square of modules and the path of the dark ones. */
type Drawn = { readonly size: number; readonly path: string };
async function drawn(text: string): Promise<Drawn> {
  const { create } = await import('qrcode');
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const { size } = modules;
  const dark = Array.from({ length: size * size }, (_, i) => i).filter((i) => modules.data[i]);
  return { size, path: dark.map((i) => `M${i % size} ${Math.floor(i / size)}h1v1h-1z`).join('') };
}
/** Quiet modules around a code, as its standard asks (ISO/IEC 18004: four). */
const QUIET = 4;

/** A text to be read by a phone, dark on white in every theme. */
export function QrCode({ text, label, width }: { text: string; label: string; width: number }) {
  const [code, setCode] = useState<Drawn | null>(null);
  useEffect(() => {
    let gone = false;
    void drawn(text).then((made) => {
      if (!gone) setCode(made);
    });
    return () => {
      gone = true;
    };
  }, [text]);
  const side = (code?.size ?? 0) + 2 * QUIET;
  return (
    <svg
      className="qr"
      role="img"
      aria-label={label}
      width={width}
      height={width}
      viewBox={`${-QUIET} ${-QUIET} ${side} ${side}`}
    >
      {code && <path d={code.path} />}
    </svg>
  );
}
