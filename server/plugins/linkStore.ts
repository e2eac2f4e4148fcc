import folder from 'unstorage/drivers/fs-lite'
import redis from 'unstorage/drivers/redis'

/**
 * Where the rooms of linked devices stand: in a folder (NUXT_LINK_FOLDER), or in one Redis (NUXT_LINK_REDIS) where many
 * workshops are served from several servers.
 */
export default defineNitroPlugin(() => {
  const { link } = useRuntimeConfig()
  useStorage().mount('link', link.redis ? redis({ url: link.redis, base: 'lactofer' }) : folder({ base: link.folder }))
})
