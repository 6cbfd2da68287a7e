import { defineEventHandler } from 'h3'
import { setFeedLinked } from '../../../feeds/setFeedLinked.ts'

/** Hears an unlinked feed again, with the secret that it had. */
export default defineEventHandler((event) => setFeedLinked(event, true))
