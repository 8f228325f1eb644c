import type { Looks } from './recipe-looks.ts'

type Bands = Looks['views'][number]['bands']

const columns = 10
const rows = 2

/** Twenty models side by side, each a bar of its regions by area over its base. */
export function RecipePicture({ name, bands }: { readonly name: string; readonly bands: Bands }) {
  return (
    <figure>
      <svg
        viewBox={`0 0 ${String(columns * 20)} ${String(rows * 44)}`}
        role="img"
        aria-label={name}
        className="w-full bg-mat"
      >
        {Array.from({ length: columns * rows }, (_, index) => (
          <Figure
            key={index}
            x={(index % columns) * 20 + 4}
            y={Math.floor(index / columns) * 44 + 3}
            bands={bands}
          />
        ))}
      </svg>
      <figcaption className="text-sm text-ink-soft">{name}</figcaption>
    </figure>
  )
}

/** A model without its base, in units of the picture. */
const tall = 32

interface FigureProps {
  readonly x: number
  readonly y: number
  readonly bands: Bands
}

function Figure({ x, y, bands }: FigureProps) {
  return (
    <g>
      {bands.map(({ from, share, colour, isBase }, index) =>
        isBase ? (
          <rect key={index} x={x - 2} y={y + tall + 1} width={16} height={4} fill={colour} rx={2} />
        ) : (
          <rect key={index} x={x} y={y + from * tall} width={12} height={share * tall} fill={colour} />
        ),
      )}
    </g>
  )
}
