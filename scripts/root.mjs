/** The project's folder, as a URL that ends with a slash. */
export const root = new URL('../', import.meta.url)
