/** Everything that the score room can point out. */
export const remarkTypes = [
  'textOverEntrance', 'soundLonger', 'soundShorter', 'cutOff', 'phasesShrunk', 'tooLong', 'tooShort', 'smallText', 'textCut', 'scrollUnfinished', 'lettersUnfinished', 'messageHurried',
  'lowContrast', 'outsideCanvas', 'outsideSafeArea', 'overZone', 'unknownVariable', 'templateProblem', 'noMedia', 'unusedPart', 'soundsTooLoud', 'soundOverCeiling', 'soundBelowTarget', 'notLevelled',
  'voiceOverSound', 'voiceMayBeCut',
] as const
export type RemarkType = (typeof remarkTypes)[number]
