import { notFound } from 'next/navigation'
import { RequestError } from '@/server/problems'

/** Runs a read; what is not there becomes the page that says so. */
export const orNotFound = async <T>(read: Promise<T>): Promise<T> => {
  try {
    return await read
  } catch (error) {
    if (error instanceof RequestError && error.status === 404) notFound()
    throw error
  }
}
