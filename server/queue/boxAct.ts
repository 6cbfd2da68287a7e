/** Who said that something is not read, or why nobody did. */
export type Said = { by: string } | { reason: string }

/** Something that a person wants done in the line of a box; carried out by whoever carries out its lane. */
export type BoxAct =
  | { do: 'skip'; playId: string; reason: string }
  | { do: 'hold'; isHeld: boolean }
  /** Something was put on air: its policy is in force before that is answered. */
  | { do: 'takePolicy' }
  /** Somebody takes out all that waits, or puts it back. */
  | { do: 'clear'; reason: string }
  | { do: 'putBack' }
  /** Somebody empties the screen and holds the line, or lets it go on. */
  | { do: 'panic'; isOn: boolean; reason: string }
  /** Somebody lets a play be shown, or does not. */
  | { do: 'judge'; playId: string; isLet: boolean; by: string }
  /** Somebody wants a play to be the next. */
  | { do: 'moveUp'; playId: string }
  | { do: 'voice'; playId: string; isRead: boolean; said: Said }
  /** Voices of the channel were switched off or on. */
  | { do: 'switchVoices'; isOn: boolean; by: string }
  /** The box was put away: what plays stops, what waits is let go. */
  | { do: 'putAway' }
  /** What sources are given to show of a play. */
  | { do: 'show'; playId: string }
  /** How many sources show the box. */
  | { do: 'countSources' }
