import { join } from 'node:path'
import type { Config } from '../system/config.ts'
import { FolderStore } from './folderStore.ts'
import type { MediaStore } from './mediaStore.ts'
import { S3Store } from './s3Store.ts'

/** Where media files lie: a folder beside the database, or the bucket that the operator names. */
export function storeOf(
  {
    THUNDERCREST_S3_URL: bucketUrl,
    THUNDERCREST_S3_REGION: region,
    THUNDERCREST_S3_KEY: accessKeyId,
    THUNDERCREST_S3_SECRET: secretAccessKey,
  }: Config,
  dataFolder: string,
): MediaStore {
  if (bucketUrl && accessKeyId && secretAccessKey)
    return new S3Store({ bucketUrl, region, accessKeyId, secretAccessKey })
  return new FolderStore(join(dataFolder, 'media'))
}
