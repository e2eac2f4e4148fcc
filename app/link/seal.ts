/*
 * What devices of one workshop share is sealed before it leaves one of them. All keys come of one secret, which only
 * the code that was scanned carries: HKDF (RFC 5869) with SHA-256, AES-GCM (NIST SP 800-38D) with 256 bits.
 */

/** Bytes of the secret, of the first numbers of a parcel, of the token. */
const SECRET_BYTES = 32
const IV_BYTES = 12
const TOKEN_BYTES = 32
/** How parcels are made; raised when it changes. */
const FORM = 1

type Bytes = Uint8Array<ArrayBuffer>
const utf8 = (text: string): Bytes => new TextEncoder().encode(text)
const hex = (bytes: Uint8Array): string => [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('')
const hashOf = async (bytes: Bytes): Promise<string> =>
  hex(new Uint8Array(await crypto.subtle.digest('SHA-256', bytes)))

/** A secret for a new room. */
export const newSecret = (): string => base64url(crypto.getRandomValues(new Uint8Array(SECRET_BYTES)))

function base64url(bytes: Uint8Array): string {
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '')
}
/** The bytes of a secret; `null` where a text is none. */
function bytesOf(secret: string): Bytes | null {
  if (!/^[\w-]{43}$/.test(secret)) return null
  return Uint8Array.from(atob(secret.replaceAll('-', '+').replaceAll('_', '/')), (sign) => sign.charCodeAt(0))
}

/** A parcel that was not as a member of the room made it. */
export class BadParcel extends Error {
  override name = 'BadParcel'
}

/** What is in a parcel: entries, or one picture. The server sees which, so that pictures follow later. */
export type ParcelKind = 'entries' | 'picture'
const LETTERS: Readonly<Record<ParcelKind, string>> = { entries: 'e', picture: 'p' }
/** What a parcel is said to hold. */
export const kindOfParcel = (name: string): ParcelKind => (name.startsWith(LETTERS.picture) ? 'picture' : 'entries')

/** What a member of a room can do. */
export interface Room {
  /** Its number, which the server knows: the hash of the token. */
  number: string
  /** Tells the server that somebody is a member. */
  token: string
  /** Seals what is to be left there. @returns the parcel, and its name: its kind and its hash. */
  seal: (kind: ParcelKind, content: Bytes) => Promise<{ name: string; parcel: Bytes }>
  /** Opens a parcel. @throws BadParcel when it was changed, cut off, or is of another room. */
  open: (name: string, parcel: Bytes) => Promise<Bytes>
}

/** The room of a secret; `null` where the text is none. */
export async function roomOf(secret: string): Promise<Room | null> {
  const bytes = bytesOf(secret)
  if (!bytes) return null
  const root = await crypto.subtle.importKey('raw', bytes, 'HKDF', false, ['deriveKey', 'deriveBits'])
  const by = (info: string) => ({ name: 'HKDF', hash: 'SHA-256', salt: utf8('lactofer link 1'), info: utf8(info) })
  const token = hex(new Uint8Array(await crypto.subtle.deriveBits(by('token'), root, TOKEN_BYTES * 8)))
  const bits = { name: 'AES-GCM', length: 256 }
  const key = await crypto.subtle.deriveKey(by('parcels'), root, bits, false, ['encrypt', 'decrypt'])
  const number = await hashOf(utf8(token))
  const locked = (iv: Bytes, kind: ParcelKind) => {
    const additionalData = utf8(`${FORM} ${kind} ${number}`)
    return { name: 'AES-GCM', iv, additionalData }
  }
  return {
    ...{ number, token },
    async seal(kind, content) {
      const iv = crypto.getRandomValues(new Uint8Array(IV_BYTES))
      const closed = new Uint8Array(await crypto.subtle.encrypt(locked(iv, kind), key, content))
      const parcel = new Uint8Array(1 + IV_BYTES + closed.length)
      parcel[0] = FORM
      parcel.set(iv, 1)
      parcel.set(closed, 1 + IV_BYTES)
      return { name: `${LETTERS[kind]}${await hashOf(parcel)}`, parcel }
    },
    async open(name, parcel) {
      if ((await hashOf(parcel)) !== name.slice(1)) throw new BadParcel('A parcel was changed or cut off on its way.')
      if (parcel[0] !== FORM) throw new BadParcel('A parcel was made by a newer version. Update this device.')
      try {
        const iv = parcel.slice(1, 1 + IV_BYTES)
        const form = locked(iv, kindOfParcel(name))
        return new Uint8Array(await crypto.subtle.decrypt(form, key, parcel.slice(1 + IV_BYTES)))
      } catch {
        throw new BadParcel('A parcel was not made by a member of this room.')
      }
    },
  }
}
