import { readBackups } from '@/server/backups'
import { answer } from '@/server/http'

/** When the last good backup was made. */
export const GET = () => answer(() => Promise.resolve(Response.json(readBackups())))
