/** What this page names its own style sheets by; others apply to nothing. */
export function pageNonce(): string {
  return document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce ?? ''
}
