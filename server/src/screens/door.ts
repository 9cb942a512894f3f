import type { RequestListener } from 'node:http'
import type { Server } from 'node:https'
import { createServer } from 'node:https'
import type { AddressInfo } from 'node:net'
import { networkInterfaces } from 'node:os'
import { certificateFor, ownNames } from './certificate'

/** The way in from the local network. */
export interface Door {
  /** Where the workshop is found there; undefined while it is closed. */
  readonly address: () => string | undefined
  /** Names and addresses with their port that it answers to; all others are refused. */
  readonly hosts: () => readonly string[]
  /** @throws {Error} when there is no network */
  readonly open: () => Promise<string>
  readonly close: () => Promise<void>
  /** Certificate of the workshop's own authority, in PEM. */
  readonly authority: () => Promise<string>
}

/** A door that is never opened. */
export const noDoor: Door = {
  address: () => undefined,
  hosts: () => [],
  open: () => Promise.reject(new Error('There is no network here')),
  close: () => Promise.resolve(),
  authority: () => Promise.reject(new Error('There is no network here')),
}

/** The first address of this computer on a network of its own. */
export function ownAddress(): string | undefined {
  const addresses = Object.values(networkInterfaces()).flatMap((found) => found ?? [])
  return addresses.find(({ family, internal }) => family === 'IPv4' && !internal)?.address
}

/**
 * HTTPS on one address of this computer, under a certificate of the workshop's own authority.
 *
 * @param answer what answers a request
 * @param host address to listen on; that of the computer where none is said
 */
export function networkDoor(
  folder: string,
  { host, port }: { readonly host: string | undefined; readonly port: number },
  answer: () => RequestListener,
): Door {
  let server: Server | undefined
  let address: string | undefined
  async function open(): Promise<string> {
    if (address !== undefined) return address
    const at = host ?? ownAddress()
    if (at === undefined) throw new Error('This computer is on no network.')
    const { key, certificate } = await certificateFor(folder, at)
    const opened = createServer({ key, cert: certificate, minVersion: 'TLSv1.2' }, answer())
    await new Promise<void>((resolve, reject) => {
      opened.once('error', reject)
      opened.listen(port, at, resolve)
    })
    server = opened
    address = `https://${at}:${(opened.address() as AddressInfo).port}`
    return address
  }
  async function close(): Promise<void> {
    const closing = server
    server = undefined
    address = undefined
    if (!closing) return
    closing.closeAllConnections()
    await new Promise((resolve) => closing.close(resolve))
  }
  return {
    address: () => address,
    hosts: () => {
      const { port: opened, hostname } = new URL(address ?? 'https://none')
      return address === undefined ? [] : [hostname, ...ownNames()].map((name) => `${name}:${opened}`)
    },
    open,
    close,
    authority: async () => (await certificateFor(folder, host ?? ownAddress() ?? '127.0.0.1')).authority,
  }
}
