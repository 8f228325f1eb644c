import type { ClientLink, Photo, Problem, SharedProgress } from '@seriatim/contract'
import sharp from 'sharp'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startTestServer } from '../../testing/test-server.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

/** What of an answer is looked at. */
type Said = Problem &
  SharedProgress & {
    readonly photos: readonly Photo[]
    readonly picture: string
    readonly made: ClientLink
    readonly token: string
  }

const call = async (method: string, path: string, body?: unknown) => {
  const answer = await server.call(method, path, body)
  return { status: answer.status, body: answer.body as Said }
}

/** Taken by a telephone held upright, at a place. */
const taken = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#446688' } })
    .withMetadata({ orientation: 6 })
    .withExif({ IFD0: { Model: 'a telephone' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 0/1 0/1' } })
    .jpeg()
    .toBuffer()

const fields = { caption: 'the first five', modelId: null, stageId: null, released: false }
const add = (path: string, image: Buffer, id = v7(), some: object = {}) =>
  call('POST', `${path}/photos`, { id, ...fields, ...some, image: image.toString('base64') })
const fileOf = (picture: string) => Buffer.from(picture.split(',')[1]!, 'base64')

describe('a picture', () => {
  it('is written anew: upright, no larger than is looked at, and without place and camera', async () => {
    const { path } = await server.seed()
    const original = await taken(2400, 1200)
    expect((await sharp(original).metadata()).exif!.toString('latin1')).toContain('a telephone')
    const id = v7()
    const { status, body } = await add(path, original, id)
    expect(status).toBe(201)
    expect(body.photos).toMatchObject([{ id, ...fields, width: 800, height: 1600 }])
    // Sent again it is there once.
    expect((await add(path, original, id)).body.photos).toHaveLength(1)
    // Of another project it is refused: nothing is said to be kept that is not.
    const other = await server.seed()
    expect((await add(other.path, original, id)).status).toBe(409)
    const { body: shown } = await call('GET', `${path}/photos/${id}`)
    expect(shown.picture).toMatch(/^data:image\/jpeg;base64,/)
    const kept = await sharp(fileOf(shown.picture)).metadata()
    expect(kept).toMatchObject({ format: 'jpeg', width: 800, height: 1600 })
    expect(kept.exif).toBeUndefined()
    expect(kept.orientation).toBeUndefined()
  })

  it('is refused where it is none, is broken, is too large or unpacks to too much, with its place', async () => {
    const { path } = await server.seed()
    const refused = async (file: Buffer) => {
      const { status, body } = await add(path, file)
      return [status, body.errors?.[0]?.path, body.detail]
    }
    const none = 'This is no picture that can be read here: JPEG, PNG or WebP.'
    expect(await refused(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).toEqual([
      422,
      'image',
      none,
    ])
    expect(await refused(Buffer.from('%PDF-1.7'))).toEqual([422, 'image', none])
    const whole = await taken(600, 400)
    const broken = 'This picture is broken: it cannot be read to its end.'
    expect(await refused(whole.subarray(0, whole.length / 2))).toEqual([422, 'image', broken])
    // A few kilobytes that unpack to a hundred million pixels.
    const bomb = await sharp({
      create: { width: 10_000, height: 10_000, channels: 3, background: '#000' },
      limitInputPixels: false,
    })
      .png({ compressionLevel: 9 })
      .toBuffer()
    expect(bomb.length).toBeLessThan(1_000_000)
    expect(await refused(bomb)).toEqual([
      422,
      'image',
      'This picture has more than 60 million pixels: send a smaller one.',
    ])
    const huge = await add(path, Buffer.alloc(13 * 1024 * 1024, 1))
    expect(huge).toMatchObject({ status: 413, body: { detail: expect.stringContaining('16 MB') as string } })
    const nothing = await call('POST', `${path}/photos`, { id: v7(), ...fields, image: '' })
    expect(nothing.body.errors?.[0]?.path).toBe('image')
    expect((await call('GET', `${path}/photos`)).body.photos).toEqual([])
  })

  it('says of which model and after which stage it is, as long as somebody says so', async () => {
    const { path, unit, line } = await server.seed()
    const id = v7()
    await add(path, await taken(60, 40), id)
    const said = { ...fields, modelId: unit.models[0]!.id, stageId: line[1]!.id }
    expect((await call('PUT', `${path}/photos/${id}`, said)).body.photos).toMatchObject([said])
    expect((await call('PUT', `${path}/photos/${id}`, fields)).body.photos).toMatchObject([fields])
  })

  it('is shown to the client once it is released, and to nobody when it is taken away', async () => {
    const { path } = await server.seed()
    const [shown, hidden] = [v7(), v7()]
    await add(path, await taken(60, 40), shown)
    await add(path, await taken(60, 40), hidden)
    const { token } = (await call('POST', `${path}/links`, { days: 30 })).body
    const seen = async () => (await call('GET', `/shared/${token}`)).body.photos
    expect(await seen()).toEqual([])
    expect((await call('GET', `/shared/${token}/photos/${shown}`)).status).toBe(404)
    await call('PUT', `${path}/photos/${shown}`, { ...fields, caption: 'Done!', released: true })
    expect(await seen()).toEqual([{ id: shown, caption: 'Done!' }])
    expect((await call('GET', `/shared/${token}/photos/${shown}`)).body.picture).toMatch(/^data:image/)
    expect((await call('GET', `/shared/${token}/photos/${hidden}`)).status).toBe(404)
    // A link shows its own project's alone.
    const other = await server.seed()
    const { token: foreign } = (await call('POST', `${other.path}/links`, { days: 30 })).body
    expect((await call('GET', `/shared/${foreign}/photos/${shown}`)).status).toBe(404)
    expect((await call('GET', `${other.path}/photos/${shown}`)).status).toBe(404)
    expect((await call('DELETE', `${path}/photos/${shown}`)).body.photos.map(({ id }) => id)).toEqual([
      hidden,
    ])
    expect((await call('DELETE', `${path}/photos/${shown}`)).status).toBe(404)
    expect(await seen()).toEqual([])
  })
})
