import 'server-only'
import { handedOver, work } from './working'

/** Resolving and levelling what is sent, without touching the database. @param sent bytes, or what they stand for */
export const resolveStateless = (sent: unknown) => work('resolveRequest', { sent, file: 'request' }, handedOver(sent))

/** The common level, how good it is proven to be, and what it costs whom. */
export const levelStateless = (sent: unknown) => work('levelRequest', { sent, file: 'request' }, handedOver(sent))
