import { X509Certificate } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { hostname } from 'node:os'
import { join } from 'node:path'
import { generate } from 'selfsigned'

/** An authority lives ten years; what it vouches for is made anew a month before a year is over. */
const authorityDays = 3650
const certificateDays = 365
const renewDays = 30
const dayMs = 24 * 3600_000

const after = (days: number): Date => new Date(Date.now() + days * dayMs)
const curve = { keyType: 'ec', curve: 'P-256', algorithm: 'sha256' } as const

/** Names by which a local network may know this computer: its own, and the one that it announces itself by (RFC 6762). */
export function ownNames(): readonly string[] {
  const name = hostname()
    .toLowerCase()
    .replace(/\.local$/, '')
  return [name, `${name}.local`]
}

interface Pair {
  readonly key: string
  readonly certificate: string
}

function kept(folder: string, name: string): Pair | undefined {
  const [key, certificate] = [join(folder, `${name}.key`), join(folder, `${name}.crt`)]
  if (!existsSync(key) || !existsSync(certificate)) return undefined
  return { key: readFileSync(key, 'utf8'), certificate: readFileSync(certificate, 'utf8') }
}

function keep(folder: string, name: string, { key, certificate }: Pair): Pair {
  writeFileSync(join(folder, `${name}.key`), key, { mode: 0o600 })
  writeFileSync(join(folder, `${name}.crt`), certificate)
  return { key, certificate }
}

async function authorityIn(folder: string): Promise<Pair> {
  const known = kept(folder, 'authority')
  if (known) return known
  const { private: key, cert: certificate } = await generate(
    [{ name: 'commonName', value: 'Vendange, this workshop' }],
    {
      ...curve,
      notAfterDate: after(authorityDays),
      extensions: [
        { name: 'basicConstraints', cA: true, critical: true },
        { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
      ],
    },
  )
  return keep(folder, 'authority', { key, certificate })
}

function isFresh({ certificate }: Pair, address: string): boolean {
  const known = new X509Certificate(certificate)
  return (
    Date.parse(known.validTo) > after(renewDays).getTime() &&
    known.checkIP(address) !== undefined &&
    ownNames().every((name) => known.checkHost(name) !== undefined)
  )
}

/**
 * A certificate for an address of this computer, by the workshop's own authority. Both are made when they are first
 * needed, and the certificate anew when it grows old or the address is another.
 *
 * @param address IPv4 or IPv6
 */
export async function certificateFor(
  dataFolder: string,
  address: string,
): Promise<Pair & { readonly authority: string }> {
  const folder = join(dataFolder, 'certificates')
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const authority = await authorityIn(folder)
  const known = kept(folder, 'workshop')
  if (known && isFresh(known, address)) return { ...known, authority: authority.certificate }
  const { private: key, cert: certificate } = await generate([{ name: 'commonName', value: hostname() }], {
    ...curve,
    notAfterDate: after(certificateDays),
    ca: { key: authority.key, cert: authority.certificate },
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: [{ type: 7, ip: address }, ...ownNames().map((value) => ({ type: 2 as const, value }))],
      },
    ],
  })
  return { ...keep(folder, 'workshop', { key, certificate }), authority: authority.certificate }
}
