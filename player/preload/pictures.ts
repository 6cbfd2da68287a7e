import { rememberLately } from './remember.ts'

async function decodePicture(url: string): Promise<HTMLImageElement> {
  const image = new Image()
  image.src = url
  await image.decode()
  if (image.naturalWidth === 0) throw new Error(`The picture ${url} has no size`)
  return image
}

/** A picture, fetched and decoded. Rejects when the file is missing or broken. */
export const loadPicture = rememberLately(decodePicture, 60)
