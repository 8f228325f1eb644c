import { RequestProblem } from '../../http/problem.ts'

const longestSide = 1600
const quality = 80
/** More than any camera on a desk has; a file that says it has more is refused before it is unpacked. */
const mostPixels = 60_000_000

const refuse = (message: string) =>
  new RequestProblem('invalid-request', message, [{ path: 'image', message }])

/** What the file begins with, whatever it is called: nothing else is handed to the decoder. */
function isPicture(file: Buffer): boolean {
  const isWebp =
    file.subarray(0, 4).toString('latin1') === 'RIFF' && file.subarray(8, 12).toString('latin1') === 'WEBP'
  return (
    file.subarray(0, 3).toString('hex') === 'ffd8ff' ||
    file.subarray(0, 4).toString('hex') === '89504e47' ||
    isWebp
  )
}

export interface Written {
  readonly body: Buffer
  readonly width: number
  readonly height: number
}

/**
 * A picture as it is kept: upright, no larger than is looked at, and without what its file tells of place, time and camera.
 * @throws RequestProblem it is none, is broken, or unpacks to too many pixels.
 */
export async function writeAnew(file: Buffer): Promise<Written> {
  if (!isPicture(file)) throw refuse('This is no picture that can be read here: JPEG, PNG or WebP.')
  // Loaded with the first picture: no start waits for it.
  const { default: sharp } = await import('sharp')
  const reader = sharp(file, { limitInputPixels: mostPixels, failOn: 'error' })
  try {
    const { data, info } = await reader
      .rotate()
      .resize({ width: longestSide, height: longestSide, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality })
      .toBuffer({ resolveWithObject: true })
    return { body: data, width: info.width, height: info.height }
  } catch (error) {
    if (error instanceof Error && error.message.includes('pixel limit'))
      throw refuse('This picture has more than 60 million pixels: send a smaller one.')
    throw refuse('This picture is broken: it cannot be read to its end.')
  }
}
