import { defineEventHandler } from 'h3'
import { problemError } from '../system/problemError.ts'

/**
 * Whatever is not a route of the interface for programs is none: it must not fall through to the application's pages.
 */
export default defineEventHandler(() => {
  throw problemError(
    404,
    'There is nothing at this address, or it does not take this method. The routes are listed at /openapi.json.',
  )
})
