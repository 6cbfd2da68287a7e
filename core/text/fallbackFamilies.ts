const fallbacks: readonly { family: string; script: RegExp }[] = [
  { family: 'Noto Sans Arabic', script: /\p{Script=Arabic}/u },
  { family: 'Noto Sans Hebrew', script: /\p{Script=Hebrew}/u },
  { family: 'Noto Sans Devanagari', script: /\p{Script=Devanagari}/u },
  { family: 'Noto Sans JP', script: /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]/u },
  { family: 'Noto Color Emoji', script: /[\p{Extended_Pictographic}\p{Regional_Indicator}]/u },
]

/**
 * Every family that may stand in for letters that a design's own typeface lacks, in the order in which they are asked.
 */
export const allFallbackFamilies: readonly string[] = fallbacks.map((each) => each.family)

/** The fallback families that these letters need, so that a source loads no more than it draws. */
export function fallbackFamiliesFor(text: string): string[] {
  return fallbacks.filter((each) => each.script.test(text)).map((each) => each.family)
}
