/** The level mark: a triangle standing on its point on the line. */
export const LevelMark = ({
  x,
  y,
  size = 10,
  className = '',
}: {
  x: number;
  y: number;
  size?: number;
  className?: string;
}) => (
  <path
    className={`level ${className}`}
    d={`M${x.toFixed(1)} ${y.toFixed(1)}l${-size / 2} ${-size * 0.8}h${size}z`}
  />
);

/** The patterns every drawing uses; once a page. */
export const DrawingPatterns = () => (
  <svg width="0" height="0" style={{ position: 'absolute' }} aria-hidden="true">
    <defs>
      <pattern id="leaf-pattern" width="7" height="6" patternUnits="userSpaceOnUse">
        <rect width="7" height="6" fill="var(--leaf)" opacity=".38" />
        <path
          d="M.5 2l2.6 1M4 1l2.4-.8M3 5l2.8-.6M0 5l1 .4"
          stroke="var(--leaf)"
          strokeWidth="1.2"
        />
      </pattern>
      <pattern
        id="hatch"
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0V6" stroke="var(--warn)" strokeWidth="2.4" />
      </pattern>
    </defs>
  </svg>
);
