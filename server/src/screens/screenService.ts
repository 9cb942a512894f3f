import type { DeedView, InvitationView, OwnScreen, Role, ScreenInvited, ScreensView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { sentence } from '@vendange/core/findings'
import { and, desc, eq } from 'drizzle-orm'
import { createHash, randomBytes } from 'node:crypto'
import { toString as qrCode } from 'qrcode'
import { notFound } from '../db/refusal'
import { makers } from '../db/schema'
import type { Context } from '../parts/context'
import { HttpProblem } from '../parts/problems'
import type { AccessFile } from './accessFile'
import { deeds, pins, screens } from './accessFile'
import type { Door } from './door'
import { pinHasher } from './pinHash'

const invitationMs = 5 * 60_000
/** A maker who has not been seen for so long signs in again. */
const idleMs = 12 * 60 * 60_000
/** After so many wrong PINs a maker waits, each time twice as long. */
const wrongPins = 5
const firstLockMs = 60_000
const deedsShown = 200
/** Letters and figures that no eye takes for each other (RFC 4648). */
const codeLetters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'
const codeLength = 16

/** Who asks: a screen of the network, or the computer itself. */
export interface Asking {
  readonly screenId: string | null
  readonly name: string | null
  readonly role: Role
  readonly makerId: string | null
}

/** The computer itself needs no leave. */
export const atTheComputer: Asking = { screenId: null, name: null, role: 'owner', makerId: null }

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex')
const newSecret = (): string => randomBytes(32).toString('base64url')
const newCode = (): string =>
  Array.from(randomBytes(codeLength), (byte) => codeLetters[byte % codeLetters.length]).join('')

interface ScreenWorld {
  readonly file: AccessFile
  readonly folder: string
  readonly door: Door
}

/** Lets screens in and puts them out, signs makers in, and writes down who did what. */
export function screenService(context: Context, { file, folder, door }: ScreenWorld) {
  const { db } = file
  const hasher = pinHasher(folder)
  const invitations = new Map<string, ScreenInvited & { readonly expiresMs: number }>()
  const nowMs = (): number => context.clock.now().getTime()
  const at = (): string => context.clock.now().toISOString()
  const makersOf = () => context.database.read.select().from(makers).where(eq(makers.isRemoved, false))

  async function write(asking: Asking, what: string): Promise<void> {
    await db.insert(deeds).values({ at: at(), screen: asking.name, makerId: asking.makerId, what })
  }

  async function list(): Promise<ScreensView> {
    const [letIn, withPin] = await Promise.all([db.select().from(screens), db.select().from(pins)])
    const address = door.address()
    const trust = address && `${address}${endpoints.screens.authority.path}`
    return {
      address: address ?? null,
      trustPicture: trust ? await qrCode(trust, { type: 'svg', margin: 1 }) : null,
      screens: letIn.map(({ sessionHash: _, ...screen }) => screen),
      withPin: withPin.map(({ makerId }) => makerId),
    }
  }

  async function own(asking: Asking): Promise<OwnScreen> {
    const [atWork, withPin] = await Promise.all([makersOf(), db.select().from(pins)])
    const known = new Set(withPin.map(({ makerId }) => makerId))
    return {
      name: asking.name,
      role: asking.role,
      makerId: asking.makerId,
      makers: atWork.filter(({ id }) => known.has(id)).map(({ id, name }) => ({ id, name })),
    }
  }

  /** Who holds a secret; undefined when nobody does any more. */
  async function whoHas(secret: string): Promise<Asking | undefined> {
    const [screen] = await db
      .select()
      .from(screens)
      .where(eq(screens.sessionHash, hashOf(secret)))
    if (!screen) return undefined
    const isIdle = nowMs() - Date.parse(screen.lastUsedAt) > idleMs
    const makerId = isIdle ? null : screen.makerId
    // Its last use is written now and then: not every look at a page is worth a write.
    if (isIdle || nowMs() - Date.parse(screen.lastUsedAt) > 60_000)
      await db.update(screens).set({ lastUsedAt: at(), makerId }).where(eq(screens.id, screen.id))
    return { screenId: screen.id, name: screen.name, role: screen.role, makerId }
  }

  async function invite(asking: Asking, invited: ScreenInvited): Promise<InvitationView> {
    const address = door.address()
    if (address === undefined)
      throw new HttpProblem({ title: 'Closed', status: 422, detail: 'Open the workshop to other screens first.' })
    for (const [code, { expiresMs }] of invitations) if (expiresMs < nowMs()) invitations.delete(code)
    const code = newCode()
    const expiresMs = nowMs() + invitationMs
    invitations.set(code, { ...invited, expiresMs })
    await write(asking, `Asked ${invited.name} in as ${invited.role}`)
    // After the # it goes to no server and into no log.
    const link = `${address}/pair#${code}`
    const picture = await qrCode(link, { type: 'svg', margin: 1 })
    return { address: link, picture, expiresAt: new Date(expiresMs).toISOString() }
  }

  /** @returns the secret that lets the screen in from now on */
  async function pair(code: string): Promise<{ readonly secret: string; readonly asking: Asking }> {
    const invitation = invitations.get(code)
    invitations.delete(code)
    if (!invitation || invitation.expiresMs < nowMs())
      throw new HttpProblem({
        title: 'Not let in',
        status: 403,
        detail: 'This code was used already, or is older than five minutes. Ask for a new one.',
      })
    const secret = newSecret()
    const { name, role } = invitation
    const id = context.newId()
    await db
      .insert(screens)
      .values({ id, name, role: role as Role, sessionHash: hashOf(secret), pairedAt: at(), lastUsedAt: at() })
    const asking: Asking = { screenId: id, name, role: role as Role, makerId: null }
    await write(asking, 'Was let in')
    return { secret, asking }
  }

  /** Signs a maker in. @returns a new secret: the one that was known before lets nobody in any more */
  async function signIn(
    asking: Asking,
    makerId: string,
    pin: string,
  ): Promise<{ readonly secret: string; readonly asking: Asking }> {
    const [known] = await db.select().from(pins).where(eq(pins.makerId, makerId))
    if (!known || asking.screenId === null) throw notFound(sentence('id_unread'))
    const waitMs = known.lockedUntil === null ? 0 : Date.parse(known.lockedUntil) - nowMs()
    if (waitMs > 0) {
      const minutes = Math.ceil(waitMs / 60_000)
      throw new HttpProblem({
        title: 'Locked',
        status: 429,
        detail: `The PIN was wrong too often: wait ${minutes === 1 ? 'a minute' : `${minutes} minutes`}.`,
      })
    }
    // Written down before it is looked at, and by one try at a time: who asks many times at once has no more tries.
    const failures = known.failures + 1
    const locks = failures >= wrongPins
    const lockMs = firstLockMs * 2 ** (failures - wrongPins)
    const [counted] = await db
      .update(pins)
      .set({ failures, lockedUntil: locks ? new Date(nowMs() + lockMs).toISOString() : null })
      .where(and(eq(pins.makerId, makerId), eq(pins.failures, known.failures)))
      .returning()
    if (!counted)
      throw new HttpProblem({ title: 'Locked', status: 429, detail: 'Another try of this PIN is under way.' })
    if (!(await hasher.matches(pin, known))) {
      await write(asking, `Wrong PIN, ${failures} in a row`)
      throw new HttpProblem({ title: 'Wrong', status: 422, detail: 'This is not the PIN.' })
    }
    await db.update(pins).set({ failures: 0, lockedUntil: null }).where(eq(pins.makerId, makerId))
    const secret = newSecret()
    await db
      .update(screens)
      .set({ makerId, sessionHash: hashOf(secret), lastUsedAt: at() })
      .where(eq(screens.id, asking.screenId))
    const signedIn = { ...asking, makerId }
    await write(signedIn, 'Signed in')
    return { secret, asking: signedIn }
  }

  return {
    list,
    own,
    whoHas,
    invite,
    pair,
    signIn,
    write,
    async signOut(asking: Asking): Promise<Asking> {
      if (asking.screenId !== null)
        await db.update(screens).set({ makerId: null }).where(eq(screens.id, asking.screenId))
      return { ...asking, makerId: null }
    },
    async putOut(asking: Asking, id: string): Promise<ScreensView> {
      const [gone] = await db.delete(screens).where(eq(screens.id, id)).returning()
      if (!gone) throw notFound(sentence('id_unread'))
      await write(asking, `Put ${gone.name} out`)
      return list()
    },
    async setPin(asking: Asking, makerId: string, pin: string): Promise<ScreensView> {
      const maker = (await makersOf()).find(({ id }) => id === makerId)
      if (!maker) throw notFound(sentence('id_unread'))
      const made = await hasher.make(pin)
      const fresh = { ...made, failures: 0, lockedUntil: null }
      await db
        .insert(pins)
        .values({ makerId, ...fresh })
        .onConflictDoUpdate({ target: pins.makerId, set: fresh })
      await write(asking, `Gave ${maker.name} a PIN`)
      return list()
    },
    async network(asking: Asking, isOpen: boolean): Promise<ScreensView> {
      try {
        await (isOpen ? door.open() : door.close())
      } catch (fault) {
        const why = fault instanceof Error ? fault.message : String(fault)
        throw new HttpProblem({ title: 'Not opened', status: 422, detail: `The network cannot be opened: ${why}` })
      }
      await write(asking, isOpen ? 'Opened the workshop to the local network' : 'Closed it to the local network')
      return list()
    },
    async deeds(): Promise<readonly DeedView[]> {
      const [rows, atWork] = await Promise.all([
        db.select().from(deeds).orderBy(desc(deeds.id)).limit(deedsShown),
        makersOf(),
      ])
      const nameOf = new Map(atWork.map(({ id, name }) => [id, name]))
      return rows.map(({ at: when, screen, makerId, what }) => ({
        at: when,
        screen,
        maker: makerId === null ? null : (nameOf.get(makerId) ?? null),
        what,
      }))
    },
  }
}

export type ScreenService = ReturnType<typeof screenService>
