/** Lists of words by language. */
declare module 'naughty-words' {
  const lists: Record<string, string[]>
  export default lists
}
