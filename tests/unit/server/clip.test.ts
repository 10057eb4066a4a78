import { randomBytes } from 'node:crypto'
import { readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { EncodedAudioPacketSource, EncodedPacket, FilePathTarget, Mp4OutputFormat, Output } from 'mediabunny'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { readClip, type ReadClip } from '../../../server/files/clip'
import { withFolder } from '../../../server/files/folder'
import { clipBytes, keepClip, PIECE } from '../../../server/files/keepClip'
import { migratedDatabase } from '../../database'
import { mp3, MP3_FRAME_SECONDS, wav } from '../../sounds'

/** Reads some bytes as the server does, and gives what came of it with the file that was packed. */
const read = (bytes: Buffer) =>
  withFolder(async folder => {
    const [from, to] = [join(folder, 'came'), join(folder, 'packed')]
    await writeFile(from, bytes)
    const result = await readClip({ from, to })
    return { result, packed: result.ok ? await readFile(to) : Buffer.alloc(0) }
  })

/** A sound in MP4 whose tags say where it was recorded, of a codec that the caller names; its packets hold nothing. */
const taggedMp4 = (codec: 'opus' | 'ac3', comment: string) =>
  withFolder(async folder => {
    const path = join(folder, 'x.mp4')
    const output = new Output({ format: new Mp4OutputFormat(), target: new FilePathTarget(path) })
    const source = new EncodedAudioPacketSource(codec)
    output.addAudioTrack(source)
    output.setMetadataTags({ title: 'Garden', comment, raw: { '©xyz': '+51.5074-000.1278/' } })
    await output.start()
    const config = { codec: codec === 'ac3' ? 'ac-3' : codec, sampleRate: 48_000, numberOfChannels: 1 }
    for (let i = 0; i < 50; i++)
      await source.add(
        new EncodedPacket(codec === 'ac3' ? ac3() : Uint8Array.of(0xf8, 0xff, 0xfe), 'key', i * 0.02, 0.02),
        i === 0 ? { decoderConfig: config } : undefined,
      )
    await output.finalize()
    return readFile(path)
  })
/** The head of a frame of AC-3 (ATSC A/52, 5.3): 48 kHz, 32 kbit/s. */
const ac3 = () => Uint8Array.from({ length: 128 }, (_, i) => [0x0b, 0x77, 0, 0, 0x00, 0x40, 0x2f, 0x84][i] ?? 0)

describe('a sound or a film from anywhere', () => {
  it('is known by what is in it, however it is called', async () => {
    expect((await read(wav(2))).result).toMatchObject({
      ok: true,
      value: { kind: 'sound', mediaType: 'audio/wav', seconds: 2, width: 0 },
    })
    const { result } = await read(mp3(100))
    expect(result).toMatchObject({ ok: true, value: { kind: 'sound', mediaType: 'audio/mpeg' } })
    expect((result as { value: ReadClip }).value.seconds).toBeCloseTo(100 * MP3_FRAME_SECONDS, 2)
    expect((await read(await taggedMp4('opus', 'x'))).result).toMatchObject({
      ok: true,
      value: { kind: 'sound', mediaType: 'audio/mp4', seconds: 1 },
    })
  })

  it("comes without what its maker didn't mean to send along", async () => {
    for (const bytes of [
      wav(1, 'Recorded at 51.5, -0.1'),
      mp3(20, 'Recorded at 51.5, -0.1'),
      await taggedMp4('opus', 'Recorded at 51.5, -0.1'),
    ]) {
      expect(bytes.includes('51.5')).toBe(true)
      const { result, packed } = await read(bytes)
      expect(result.ok).toBe(true)
      for (const secret of ['51.5', 'Recorded', 'Garden', 'xyz']) expect(packed.includes(secret), secret).toBe(false)
    }
  })

  it('is refused where it is none', async () => {
    const whole = wav(1)
    for (const bytes of [
      Buffer.from('This is a film, honestly.'),
      randomBytes(5000),
      Buffer.alloc(0),
      Buffer.from('RIFF\xff\xff\xff\x7fWAVEfmt ', 'latin1'),
      Buffer.from('1a45dfa3', 'hex'),
      Buffer.concat([Buffer.from('00000018', 'hex'), Buffer.from('ftypisom\0\0\x02\0isommp41')]),
      whole.subarray(0, 30),
    ]) {
      expect((await read(bytes)).result, bytes.subarray(0, 12).toString('latin1')).toEqual({
        ok: false,
        reason: 'not-a-clip',
      })
    }
  })

  it('is refused where not every device plays it, or where it is too long', async () => {
    expect((await read(await taggedMp4('ac3', 'x'))).result).toEqual({ ok: false, reason: 'not-played' })
    expect((await read(mp3(Math.ceil((20.1 * 60) / MP3_FRAME_SECONDS)))).result).toEqual({
      ok: false,
      reason: 'too-long',
    })
  })
})

describe('what is kept of a clip', () => {
  let connection: Awaited<ReturnType<typeof migratedDatabase>>
  beforeAll(async () => {
    connection = await migratedDatabase()
  })
  afterAll(() => connection.close())
  const teacher = async (email: string) =>
    (
      await connection.db
        .insertInto('teachers')
        .values({ name: 'T', email, password_hash: 'x' })
        .returning('id')
        .executeTakeFirstOrThrow()
    ).id
  const clipOf = (bytes: number, hash: string): ReadClip => ({
    hash: hash as ReadClip['hash'],
    mediaType: 'video/mp4',
    kind: 'film',
    seconds: 3,
    width: 4,
    height: 3,
    bytes,
  })
  const keep = (owner: string, bytes: Buffer, hash: string) =>
    withFolder(async folder => {
      await writeFile(join(folder, 'x'), bytes)
      return keepClip(connection.db, owner, clipOf(bytes.length, hash), join(folder, 'x'))
    })
  async function bytesOf(hash: string, first: number, last: number): Promise<Buffer> {
    const parts: Buffer[] = []
    for await (const part of clipBytes(connection.db, hash, first, last)) parts.push(part)
    return Buffer.concat(parts)
  }

  it('is had again from any byte to any other, over the edges of its pieces', async () => {
    const bytes = randomBytes(2 * PIECE + 777)
    const hash = 'a'.repeat(64)
    expect(await keep(await teacher('one@school.example'), bytes, hash)).toEqual({ ok: true, value: null })
    for (const [first, last] of [
      [0, bytes.length - 1],
      [0, 0],
      [PIECE - 1, PIECE],
      [PIECE, PIECE],
      [2 * PIECE - 3, bytes.length - 1],
      [bytes.length - 1, bytes.length - 1],
      [5, 2 * PIECE + 5],
    ] as const) {
      expect((await bytesOf(hash, first, last)).equals(bytes.subarray(first, last + 1)), `${first} to ${last}`).toBe(
        true,
      )
    }
  })

  it('is kept once however often it comes, and belongs to everybody who sent it', async () => {
    const bytes = randomBytes(1000)
    const owners = [await teacher('two@school.example'), await teacher('three@school.example')]
    for (const owner of [...owners, owners[0]!])
      expect(await keep(owner, bytes, 'b'.repeat(64))).toEqual({ ok: true, value: null })
    expect(
      await connection.db.selectFrom('file_pieces').select('number').where('file_hash', '=', 'b'.repeat(64)).execute(),
    ).toHaveLength(1)
    expect(
      await connection.db
        .selectFrom('file_owners')
        .select('teacher_id')
        .where('file_hash', '=', 'b'.repeat(64))
        .execute(),
    ).toHaveLength(2)
  })

  it('is no more than one teacher may have', async () => {
    const owner = await teacher('four@school.example')
    await connection.db
      .insertInto('files')
      .values({
        hash: 'c'.repeat(64),
        media_type: 'video/mp4',
        bytes: null,
        pixel_width: 4,
        pixel_height: 3,
        seconds: 3,
        size: 2 ** 31 - 1,
      })
      .execute()
    await connection.db
      .insertInto('file_owners')
      .values({ file_hash: 'c'.repeat(64), teacher_id: owner })
      .execute()
    expect(await keep(owner, randomBytes(10), 'd'.repeat(64))).toEqual({ ok: false, reason: 'no-room' })
    expect(await keep(await teacher('five@school.example'), randomBytes(10), 'd'.repeat(64))).toEqual({
      ok: true,
      value: null,
    })
  })
})
