import { Upload } from 'tus-js-client'
import { patient, reasonOf } from './patientUpload.ts'

/**
 * Sends a pack, however slow the line is: it goes on where it was cut, also after the tab was closed, when the same file is given
 * again. @returns what the upload is called @throws Error with the reason where it does not arrive
 */
export function uploadPack(file: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const upload = new Upload(file, {
      endpoint: '/api/packs/uploads',
      ...patient,
      onSuccess: () => resolve(decodeURIComponent(upload.url?.split('/').at(-1) ?? '')),
      onError: (error) => reject(new Error(reasonOf(error))),
    })
    void upload
      .findPreviousUploads()
      .catch(() => [])
      .then(([previous]) => {
        if (previous) upload.resumeFromPreviousUpload(previous)
        upload.start()
      })
  })
}
