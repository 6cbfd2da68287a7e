import { defineEventHandler } from 'h3'
import { setFeedLinked } from '../../../feeds/setFeedLinked.ts'

/** Unlinks a feed: it is not heard any more. What it said stays, and it can be linked again. */
export default defineEventHandler((event) => setFeedLinked(event, false))
