/** Fields of parts as people read them. */
export const fieldNames: Record<string, string> = {
  template: 'words', sizePx: 'size', mediaId: 'file', takesChoice: 'shows what viewers choose', trimDb: 'volume', isLevelled: 'levelled', extent: 'margins', isMuted: 'muted', place: 'position', motion: 'motion', clip: 'timing',
  opacity: 'opacity', ink: 'colour', highlightInk: 'colour of variables', outline: 'outline', type: 'typeface', maxWidthPx: 'widest',
  floorPx: 'smallest size', widthPx: 'width', heightPx: 'height', isMirrored: 'mirrored', rotationDeg: 'turned', hugs: 'hugs', paddingPx: 'padding',
  cornerPx: 'corners', name: 'name', fit: 'fit', crop: 'crop', colour: 'colours', repeats: 'at its end', letters: 'letters', keyframes: 'keyframes', isHidden: 'hidden', isLocked: 'locked',
  groupId: 'group', shadow: 'shadow', align: 'alignment', lineHeight: 'line height', letterSpacingEm: 'letter spacing', isUpperCase: 'capitals', maxLines: 'lines', showsEmotes: 'emotes',
  fadeInMs: 'fade in', fadeOutMs: 'fade out', form: 'form', fill: 'fill', stroke: 'stroke', pxPerS: 'speed', gapPx: 'gap', area: 'area', emitter: 'begin', count: 'how many', overMs: 'let go over',
  lifeMs: 'life', speedPxPerS: 'speed', directionDeg: 'direction', spreadDeg: 'spread', gravityPxPerS2: 'gravity', windPxPerS: 'wind', dragPerS: 'drag', spinDegPerS: 'spin', endSizeRatio: 'size at end',
  fadeInRatio: 'fades in', fadeOutRatio: 'fades out', sprites: 'what flies', strength: 'strength', seed: 'seed',
  readsMessage: 'reads the message', pauseMs: 'pause', lineVoice: 'voice of the line', messageVoice: 'voice of the message', duckDb: 'how far sounds go down', readAlong: 'lit as it is read',
}
