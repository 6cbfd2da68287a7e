/** A sound that is heard anew in each round of a picture: how long a round is, and how far into it the sound begins. */
export interface SoundRound {
  ms: number
  leadMs: number
}
