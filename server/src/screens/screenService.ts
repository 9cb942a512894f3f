import type { DeedView, InvitationView, OwnScreen, Role, ScreenInvited, ScreensView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { sentence } from '@vendange/core/findings'
import { desc, eq } from 'drizzle-orm'
import { randomBytes } from 'node:crypto'
import { toString as qrCode } from 'qrcode'
import { notFound } from '../db/refusal'
import { makers } from '../db/schema'
import type { Context } from '../parts/context'
import { HttpProblem } from '../parts/problems'
import type { AccessFile } from './accessFile'
import { deeds, screens } from './accessFile'
import type { Door } from './door'
import { pinKeeper } from './pins'
import { seatKeeper } from './seats'
import { hashOf, idleMs, newSecret, writtenEveryMs } from './secrets'

const invitationMs = 5 * 60_000
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

/** The computer itself needs no leave; who works at it signs in once a maker has a PIN. */
export const atTheComputer: Asking = { screenId: null, name: null, role: 'owner', makerId: null }

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
  const invitations = new Map<string, ScreenInvited & { readonly expiresMs: number }>()
  const nowMs = (): number => context.clock.now().getTime()
  const pins = pinKeeper(file, folder, nowMs)
  const seats = seatKeeper(file, nowMs)
  const at = (): string => context.clock.now().toISOString()
  const makersOf = () => context.database.read.select().from(makers).where(eq(makers.isRemoved, false))

  async function write(asking: Asking, what: string): Promise<void> {
    await db.insert(deeds).values({ at: at(), screen: asking.name, makerId: asking.makerId, what })
  }

  async function list(): Promise<ScreensView> {
    const [letIn, withPin] = await Promise.all([db.select().from(screens), pins.all()])
    const address = door.address()
    const trust = address && `${address}${endpoints.screens.authority.path}`
    return {
      address: address ?? null,
      hosts: door.hosts(),
      trustPicture: trust ? await qrCode(trust, { type: 'svg', margin: 1 }) : null,
      screens: letIn.map(({ sessionHash: _, ...screen }) => screen),
      withPin,
    }
  }

  async function own(asking: Asking): Promise<OwnScreen> {
    const [atWork, withPin] = await Promise.all([makersOf(), pins.all()])
    const known = new Set(withPin)
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
    if (isIdle || nowMs() - Date.parse(screen.lastUsedAt) > writtenEveryMs)
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
    await pins.check(makerId, pin, (failures) => write(asking, `Wrong PIN, ${failures} in a row`))
    if (asking.screenId === null) {
      const signedIn = { ...asking, makerId }
      await write(signedIn, 'Signed in')
      return { secret: await seats.take(makerId), asking: signedIn }
    }
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
    /** Whether who works at the computer itself has to sign in: once there is somebody who can. */
    isGuarded: async (): Promise<boolean> => (await pins.all()).length > 0,
    /** Who has signed in at the computer itself; undefined when nobody has. */
    async whoSits(secret: string): Promise<Asking | undefined> {
      const makerId = await seats.makerAt(secret)
      return makerId === undefined ? undefined : { ...atTheComputer, makerId }
    },
    takeSeat: (makerId: string): Promise<string> => seats.take(makerId),
    /** @param secret by which the maker had signed in; undefined where nobody had */
    async signOut(asking: Asking, secret: string | undefined): Promise<Asking> {
      if (asking.screenId === null && secret !== undefined) await seats.leave(secret)
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
      await pins.set(makerId, pin)
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
