import jsQR from 'jsqr';
import { useEffect, useRef, useState } from 'react';
import { useGo } from '../../platform/useGo';
import { placeOfCode } from './codes';

const LOOK_MS = 250;
/** Wide enough for a code that fills a third of the picture, px. */
const WIDTH = 640;

/** The camera looks for a card's code and opens what it stands for. The picture is looked at here and kept nowhere. */
export function Scan({ onDone }: { onDone: () => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [fault, setFault] = useState('');
  const go = useGo();
  // The bar draws itself five times a second; the camera stays on.
  const done = useRef(onDone);
  done.current = onDone;
  useEffect(() => {
    let over = false;
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setInterval> | undefined;
    const canvas = document.createElement('canvas');
    const look = () => {
      const v = video.current;
      const ink = canvas.getContext('2d', { willReadFrequently: true });
      if (!v || !ink || v.videoWidth === 0) return;
      canvas.width = WIDTH;
      canvas.height = Math.round((WIDTH * v.videoHeight) / v.videoWidth);
      ink.drawImage(v, 0, 0, canvas.width, canvas.height);
      const found = jsQR(
        ink.getImageData(0, 0, canvas.width, canvas.height).data,
        canvas.width,
        canvas.height,
      );
      if (!found || over) return;
      const place = placeOfCode(found.data);
      if (!place)
        return setFault(
          'That code is not of a card here. Hold a wall card, caddy label or pocket card before it.',
        );
      done.current();
      go(place);
    };
    if (!navigator.mediaDevices)
      setFault(
        'This browser gives no camera here: it needs a secure address. A scanner that types works.',
      );
    else
      navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } }).then(
        (s) => {
          stream = s;
          if (over) return s.getTracks().forEach((t) => t.stop());
          if (video.current) video.current.srcObject = s;
          timer = setInterval(look, LOOK_MS);
        },
        () =>
          setFault(
            'The camera cannot be used: it was not allowed, or something else has it. A scanner that types works too.',
          ),
      );
    return () => {
      over = true;
      clearInterval(timer);
      stream?.getTracks().forEach((t) => t.stop());
    };
  }, [go]);
  return (
    <div className="grid gap-3">
      <video
        ref={video}
        autoPlay
        playsInline
        muted
        className="w-full max-w-[480px] border border-line-2"
        style={{ minHeight: 200, background: 'var(--well)' }}
        aria-label="What the camera sees"
      />
      {fault ? (
        <p className="fault" role="alert">
          {fault}
        </p>
      ) : (
        <p className="small">Hold the card’s code before the camera.</p>
      )}
    </div>
  );
}
