import { answer } from '../answer'

/** Whether the server runs, and since when (seconds). */
export default answer('GET', () => ({ ok: true, name: 'lactofer', uptimeS: Math.round(process.uptime()) }))
