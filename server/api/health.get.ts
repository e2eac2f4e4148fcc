/** Whether the server runs, and since when (seconds). */
export default defineEventHandler(() => ({ ok: true, name: 'lactofer', uptimeS: Math.round(process.uptime()) }))
