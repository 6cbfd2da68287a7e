import { randomBytes } from 'node:crypto'

/** What one page names its own scripts and style sheets by. */
export function newNonce(): string {
  return randomBytes(16).toString('base64')
}

/**
 * What the pages of the application may do: nothing comes from elsewhere, nothing runs that the server did not name, and no
 * style applies that a file brought along. `nonce` is this one page's.
 */
export function pagePolicy(nonce: string): string {
  return [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}'`,
    `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "font-src 'self' blob:",
    "connect-src 'self'",
    "worker-src 'self'",
    "frame-src 'self'",
    "manifest-src 'self'",
    "frame-ancestors 'none'",
    "form-action 'self'",
    "base-uri 'none'",
  ].join('; ')
}

/** What no page here has any use for. */
export const permissions =
  'camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(), midi=(), display-capture=()'

/** What a page on air may do: it asks this server alone, and runs and wears nothing that the server did not name. */
export function sourcePolicy(nonce: string): string {
  return [
    "default-src 'none'",
    "script-src 'self'",
    `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "media-src 'self' blob:",
    "worker-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
  ].join('; ')
}
