/** A sound that is cut off by the end of the score fades at least so long, in milliseconds. */
export const cutFadeMs = 400
