/** What may lie behind the pictures of a proof sheet, as CSS. */
export const proofGrounds = {
  dark: '#0e1726',
  bright: '#f4f1ea',
  checked: 'repeating-conic-gradient(#8d97a8 0 25%, #aab2c0 0 50%) 0 0/24px 24px',
} as const
