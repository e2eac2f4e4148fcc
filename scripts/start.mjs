// npm start -- [--workshop [--cert file.pem --key file.pem]]: the built application. With --workshop it is served over
// https to the devices of the local network, and over http the page that says how to trust it.
import { existsSync, readFileSync } from 'node:fs'
import { BlockList } from 'node:net'
import { hostname, networkInterfaces } from 'node:os'
import { parseArgs } from 'node:util'

/** Ends with a sentence. */
function end(sentence) {
  console.error(sentence)
  process.exit(1)
}

/** What was asked for; a word that is none ends with what there is. */
function asked() {
  const options = { workshop: { type: 'boolean' }, cert: { type: 'string' }, key: { type: 'string' } }
  try {
    return parseArgs({ options }).values
  } catch ({ message }) {
    return end(`${message}. There is: npm start -- --workshop [--cert file.pem --key file.pem]`)
  }
}
const values = asked()

/** Addresses of this machine in local networks (others the root may not vouch for), and names that lead there. */
function ownNames(networks) {
  const local = new BlockList()
  for (const [start, bits] of networks.map((network) => network.split('/')))
    if (!start.includes(':')) local.addSubnet(start, Number(bits))
  const addresses = Object.values(networkInterfaces())
    .flat()
    .filter(({ family, internal, address }) => family === 'IPv4' && !internal && local.check(address))
    .map(({ address }) => address)
  const name = hostname().split('.')[0].toLowerCase()
  return { addresses, names: [`${name}.local`, 'localhost'] }
}

async function openWorkshop() {
  const { LOCAL, workshopCertificate } = await import('./workshop/certificate.mjs')
  const { addresses, names } = ownNames(LOCAL.networks)
  const own = { cert: values.cert, key: values.key }
  if (!own.cert !== !own.key) end('A certificate of your own needs both: --cert file.pem --key file.pem')
  for (const file of [own.cert, own.key]) if (file && !existsSync(file)) end(`There is no file ${file}.`)
  const [port, plainPort] = [process.env.PORT ?? '3443', process.env.WORKSHOP_PLAIN_PORT ?? '3080']
  const host = process.env.NITRO_HOST ?? process.env.HOST ?? '0.0.0.0'
  const at = addresses[0] ?? names[0]
  const address = process.env.WORKSHOP_ADDRESS ?? `https://${at}:${port}`
  Object.assign(process.env, { PORT: port, NITRO_HOST: host })
  process.env.NUXT_HOSTS = [process.env.NUXT_HOSTS, ...names, new URL(address).hostname].filter(Boolean).join()
  process.env.NUXT_WORKSHOP_ADDRESS = address
  if (own.cert) {
    Object.assign(process.env, {
      NITRO_SSL_CERT: readFileSync(own.cert, 'utf8'),
      NITRO_SSL_KEY: readFileSync(own.key, 'utf8'),
    })
    console.log(`The workshop is open at ${address}, with a certificate of your own.`)
    return
  }
  const { openTrustPage } = await import('./workshop/trustPage.mjs')
  const folder = process.env.WORKSHOP_FOLDER ?? '.data/workshop'
  const made = await workshopCertificate(folder, [...addresses, '127.0.0.1', ...names], Date.now()).catch(
    ({ message }) =>
      end(
        `The certificates in ${folder} cannot be used: ${message}. Without that folder they are made anew, and every device has to trust the new one.`,
      ),
  )
  const { fingerprint, root } = made
  const first = `http://${new URL(address).hostname}:${plainPort}`
  Object.assign(process.env, { NITRO_SSL_CERT: made.cert, NITRO_SSL_KEY: made.key })
  Object.assign(process.env, { NUXT_WORKSHOP_FIRST: first, NUXT_WORKSHOP_FINGERPRINT: fingerprint })
  await openTrustPage({ port: Number(plainPort), host, address, fingerprint, root, folder }).catch(({ message }) =>
    end(`The first page cannot be served on port ${plainPort}: ${message}. WORKSHOP_PLAIN_PORT names another.`),
  )
  console.log(`The workshop is open at ${address}\nA device that comes for the first time opens ${first}`)
  console.log(`Fingerprint of its certificate (SHA-256): ${fingerprint}`)
}

if (!existsSync('.output/server/index.mjs')) end('It is not built yet: npm run build')
if (values.workshop) await openWorkshop()
else if (values.cert || values.key) end('A certificate of your own goes with --workshop.')
await import('../.output/server/index.mjs')
