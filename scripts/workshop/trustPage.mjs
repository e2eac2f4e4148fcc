// The page that a device opens first, over plain http: how to trust the workshop, in three steps.
import { createServer } from 'node:http'

const escaped = (text) => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`)

const page = ({ address, fingerprint, folder }) => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Lactofer: open the workshop on this device</title>
<style>
  :root { color-scheme: light dark; --ink: #14211c; --paper: #eef2ee; --sheet: #fff; --deep: #0e4a41; --line: #b9c6c0 }
  @media (prefers-color-scheme: dark) { :root { --ink: #e6eee9; --paper: #101816; --sheet: #18231f; --deep: #7fd3c0; --line: #3b4a44 } }
  * { box-sizing: border-box }
  body { margin: 0 auto; max-width: 40rem; padding: 20px 16px 48px; font: 17px/1.5 system-ui, sans-serif; color: var(--ink); background: var(--paper) }
  h1 { font-size: 1.5rem; line-height: 1.2; margin: 0 0 .3em }
  ol { list-style: none; padding: 0; margin: 20px 0; counter-reset: step; display: grid; gap: 12px }
  li { background: var(--sheet); border: 1px solid var(--line); border-radius: 6px; padding: 14px 16px 14px 58px; position: relative; counter-increment: step }
  li::before { content: counter(step); position: absolute; left: 16px; top: 12px; width: 30px; height: 30px; border-radius: 50%; background: var(--deep); color: var(--sheet); display: grid; place-items: center; font-weight: 700 }
  li p { margin: .4em 0 }
  strong { display: block }
  a.press { display: inline-block; margin-top: 8px; padding: 11px 18px; border-radius: 6px; background: var(--deep); color: var(--sheet); text-decoration: none; font-weight: 700 }
  code { font: .85em/1.6 ui-monospace, monospace }
  details { border-top: 1px solid var(--line); padding: 10px 0 }
  summary { font-weight: 700; cursor: pointer; min-height: 32px }
  .small { font-size: .9rem }
</style>
<h1>Open the workshop on this device</h1>
<p>Browsers keep storage, encryption, the camera and working offline for pages they trust. The workshop’s machine has a certificate of its own: say once on this device that you trust it.</p>
<ol>
  <li><strong>Fetch the certificate</strong>
    <p>Compare its fingerprint (SHA-256) with the one on the workshop’s machine, under Devices. They must be the same.</p>
    <p><code>${fingerprint.replaceAll(':', ':<wbr>')}</code></p>
    <a class="press" href="/lactofer-workshop.crt" download>Fetch it</a></li>
  <li><strong>Trust it</strong>
    <p>iPhone, iPad: Settings, “Profile downloaded”, Install; then General, About, Certificate Trust Settings, switch it on.</p>
    <p>Android: Settings, search “CA certificate”, install it from the downloads.</p>
    <p>Computer: open the file and add it to the trusted root certificates; a browser with a list of its own has it in its settings under Certificates, Authorities.</p></li>
  <li><strong>Open Lactofer</strong>
    <p>If the browser still warns, step 2 is not done: do not go past the warning.</p>
    <a class="press" href="${escaped(address)}">${escaped(address)}</a></li>
</ol>
<details><summary>What trusting it means</summary>
<p class="small">This device then believes the workshop’s machine about names and addresses of a local network only: names ending in .local, .lan, .internal or home.arpa, and addresses like 10.…, 172.16.… to 172.31.…, 192.168.…. About sites of the internet it is not believed; that limit stands in the certificate.</p>
<p class="small">The key lies on the workshop’s machine in ${escaped(folder)}. Whoever takes it could pose as a machine of your local network to the devices that trust it. If that may have happened, remove the certificate from the devices, delete the folder, and start anew.</p>
</details>
`

/** Serves it, and the root, on a port. */
export function openTrustPage({ port, host, address, fingerprint, root, folder }) {
  const server = createServer((request, answer) => {
    const common = {
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-store',
      'referrer-policy': 'no-referrer',
    }
    if (request.method !== 'GET' && request.method !== 'HEAD') return answer.writeHead(405, common).end()
    if (request.url === '/lactofer-workshop.crt')
      return answer
        .writeHead(200, {
          ...{ ...common, 'content-type': 'application/x-x509-ca-cert' },
          'content-disposition': 'attachment; filename="lactofer-workshop.crt"',
        })
        .end(root)
    const policy = "default-src 'none'; style-src 'unsafe-inline'"
    answer
      .writeHead(200, { ...common, 'content-type': 'text/html; charset=utf-8', 'content-security-policy': policy })
      .end(page({ address, fingerprint, folder }))
  })
  return new Promise((resolve, reject) => server.once('error', reject).listen(port, host, () => resolve(server)))
}
