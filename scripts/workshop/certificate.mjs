// The workshop's own certificates: a root that is made once and trusted by each device, and what the server shows.
import 'reflect-metadata'
import { createHash, randomBytes, webcrypto } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { AsnConvert } from '@peculiar/asn1-schema'
import { GeneralName, GeneralSubtree, GeneralSubtrees, NameConstraints } from '@peculiar/asn1-x509'
import * as x509 from '@peculiar/x509'

x509.cryptoProvider.set(webcrypto)

const DAY_MS = 86_400_000
/** Days a root holds, and a server's certificate: browsers refuse one that holds longer than 398 (common practice). */
const ROOT_DAYS = 3650
const SERVER_DAYS = 390
/** Made anew with so many days left. */
const RENEWED_DAYS = 60
const KEY = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' }
const NAME_CONSTRAINTS = '2.5.29.30'
const FOR_SERVERS = [x509.ExtendedKeyUsage.serverAuth]

/**
 * What the root may vouch for and nothing else (RFC 5280, 4.2.1.10): names that never leave a local network (RFC 6761,
 * 6762, 8375) and its addresses (RFC 1918, 3927, 4193, 4291).
 */
export const LOCAL = {
  names: ['localhost', 'local', 'home.arpa', 'internal', 'lan'],
  networks: [
    ...['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '169.254.0.0/16', '127.0.0.0/8'],
    ...['fc00::/7', 'fe80::/10', '::1/128'],
  ],
}
function localOnly() {
  const subtree = (of) => new GeneralSubtree({ base: new GeneralName(of) })
  const permittedSubtrees = new GeneralSubtrees([
    ...LOCAL.names.map((dNSName) => subtree({ dNSName })),
    ...LOCAL.networks.map((iPAddress) => subtree({ iPAddress })),
  ])
  const raw = AsnConvert.serialize(new NameConstraints({ permittedSubtrees }))
  return new x509.Extension(NAME_CONSTRAINTS, true, raw)
}

const newKeys = () => webcrypto.subtle.generateKey(KEY, true, ['sign', 'verify'])
/** A positive number of 16 bytes, as RFC 5280 wants it. */
function serial() {
  const bytes = randomBytes(16)
  bytes[0] &= 0x7f
  return bytes.toString('hex')
}
const pem = (name, bytes) =>
  `-----BEGIN ${name}-----\n${Buffer.from(bytes)
    .toString('base64')
    .replace(/.{64}/g, '$&\n')
    .trimEnd()}\n-----END ${name}-----\n`
const days = (from, count) => new Date(from + count * DAY_MS)
const lasts = (certificate, nowMs) => certificate.notAfter.getTime() - nowMs > RENEWED_DAYS * DAY_MS

/** A new root. */
export async function makeRoot(nowMs) {
  const keys = await newKeys()
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    ...{ serialNumber: serial(), name: `CN=Lactofer workshop ${randomBytes(2).toString('hex')}`, keys },
    ...{ notBefore: days(nowMs, -1), notAfter: days(nowMs, ROOT_DAYS), signingAlgorithm: KEY },
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      new x509.ExtendedKeyUsageExtension(FOR_SERVERS),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      localOnly(),
    ],
  })
  return { certificate, privateKey: keys.privateKey }
}

/** What a server shows, for its names and addresses. */
export async function makeServerCertificate(root, names, nowMs) {
  const keys = await newKeys()
  const certificate = await x509.X509CertificateGenerator.create({
    ...{ serialNumber: serial(), subject: 'CN=Lactofer', issuer: root.certificate.subject },
    ...{ notBefore: days(nowMs, -1), notAfter: days(nowMs, SERVER_DAYS) },
    ...{ publicKey: keys.publicKey, signingKey: root.privateKey, signingAlgorithm: KEY },
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension(FOR_SERVERS),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: /^[\d.]+$|:/.test(value) ? 'ip' : 'dns', value })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(root.certificate.publicKey),
    ],
  })
  return { cert: certificate.toString('pem'), key: pem('PRIVATE KEY', await exported(keys.privateKey)), names }
}
const exported = (key) => webcrypto.subtle.exportKey('pkcs8', key)

/** The root that is kept in a folder; made at the first start, and when it is about to end. */
export async function keptRoot(folder, nowMs) {
  const [certFile, keyFile] = [join(folder, 'root.crt'), join(folder, 'root.key')]
  if (existsSync(certFile) && existsSync(keyFile)) {
    const certificate = new x509.X509Certificate(readFileSync(certFile, 'utf8'))
    const body = readFileSync(keyFile, 'utf8').replaceAll(/-----.*-----|\s/g, '')
    const privateKey = await webcrypto.subtle.importKey('pkcs8', Buffer.from(body, 'base64'), KEY, true, ['sign'])
    if (lasts(certificate, nowMs)) return { certificate, privateKey }
  }
  const root = await makeRoot(nowMs)
  writeFileSync(keyFile, pem('PRIVATE KEY', await exported(root.privateKey)), { mode: 0o600 })
  writeFileSync(certFile, root.certificate.toString('pem'))
  return root
}

/**
 * The certificate of a workshop's server, kept in a folder: made at the first start, and anew when it is about to end
 * or the machine has another address.
 */
export async function workshopCertificate(folder, names, nowMs) {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const root = await keptRoot(folder, nowMs)
  const file = join(folder, 'server.json')
  const kept = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null
  const certificate = kept && new x509.X509Certificate(kept.cert)
  const fits =
    certificate &&
    lasts(certificate, nowMs) &&
    (await certificate.verify({ publicKey: root.certificate, date: new Date(nowMs) })) &&
    names.every((name) => kept.names.includes(name))
  const server = fits ? kept : await makeServerCertificate(root, names, nowMs)
  if (!fits) writeFileSync(file, JSON.stringify(server), { mode: 0o600 })
  const der = Buffer.from(root.certificate.rawData)
  const fingerprint = createHash('sha256').update(der).digest('hex').toUpperCase().match(/../g).join(':')
  return { cert: server.cert, key: server.key, root: der, fingerprint }
}
