import type { Role } from './roles'

/** A screen that was let in. */
export interface ScreenView {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly pairedAt: string
  readonly lastUsedAt: string
  /** Who has signed in there; null when nobody has. */
  readonly makerId: string | null
}

export interface ScreensView {
  /** Address on the local network; null while the workshop is closed to it. */
  readonly address: string | null
  /** Names and addresses with their port that it answers to on the network; all others are refused. */
  readonly hosts: readonly string[]
  /** The QR code of where its authority's certificate is, as an SVG document; null while it is closed. */
  readonly trustPicture: string | null
  readonly screens: readonly ScreenView[]
  /** Makers who have a PIN. */
  readonly withPin: readonly string[]
}

/** A code for one screen, as what its camera reads. */
export interface InvitationView {
  readonly address: string
  /** The QR code of the address, as an SVG document. */
  readonly picture: string
  readonly expiresAt: string
}

/** What a screen may do. */
export interface OwnScreen {
  /** Name of the screen; null at the computer itself. */
  readonly name: string | null
  readonly role: Role
  readonly makerId: string | null
  /** Who may sign in here, by a PIN of theirs. */
  readonly makers: readonly { readonly id: string; readonly name: string }[]
}

/** What was done that others may ask after. */
export interface DeedView {
  readonly at: string
  /** Name of the screen; null at the computer itself. */
  readonly screen: string | null
  readonly maker: string | null
  readonly what: string
}
