import type { RequestHandler } from 'express'
import expressStaticGzip from 'express-static-gzip'

type FileSettings = NonNullable<expressStaticGzip.ExpressStaticGzipOptions['serveStatic']>

/** The files of a built folder, as its build packed them where the browser takes that. Nothing is an index. */
export const packedFiles = (folder: string, serveStatic: FileSettings): RequestHandler =>
  expressStaticGzip(folder, {
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    index: false,
    serveStatic,
  })
