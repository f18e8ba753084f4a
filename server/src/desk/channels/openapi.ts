import { z } from 'zod'
import { createDocument } from 'zod-openapi'
import {
  ErrorBody,
  EvaluateAnswer,
  EvaluateRequest,
  fileKinds,
  HandOverRequest,
  KEYLESS_PER_MINUTE,
  LiveAnswer,
  ShownRequest,
} from '@vivid/contract'

const json = <Schema extends z.ZodType>(schema: Schema, example?: unknown) => ({
  content: { 'application/json': { schema, ...(example === undefined ? {} : { example }) } },
})
const refusal = (description: string) => ({ description, ...json(ErrorBody) })
const slug = z
  .string()
  .meta({ description: 'The calculator’s address, as in /c/{slug}', example: 'floating-home-mortgage' })
const ifNoneMatch = z.string().optional().meta({ description: 'The ETag of what is known already' })

/** What other channels may ask, as OpenAPI 3.1, made from the schemas that requests are checked by. */
export const openApiDocument = () =>
  createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Vivid Meter',
      version: '1',
      description:
        'The figures of the lender’s calculators, to the same cent as on its pages. Amounts are whole minor units (cents), ' +
        'percentages decimal texts. Decide by `code`, never by `sentence`.',
    },
    components: {
      securitySchemes: {
        key: {
          type: 'http',
          scheme: 'bearer',
          description: `A key from the desk, for server-to-server use; each has its own limit. Without one, ${KEYLESS_PER_MINUTE} evaluations a minute from one address are answered.`,
        },
      },
    },
    paths: {
      '/api/public/calculators/{slug}': {
        get: {
          operationId: 'getCalculator',
          summary: 'The live edition, with the rates in force',
          requestParams: { path: z.object({ slug }), header: z.object({ 'if-none-match': ifNoneMatch }) },
          responses: {
            200: {
              description: 'The edition; its ETag changes with the edition, the day and the rates',
              ...json(LiveAnswer),
            },
            304: { description: 'Nothing changed since' },
            404: refusal('There is no such calculator, or none was published'),
            410: refusal('It is no longer offered'),
          },
        },
      },
      '/api/public/calculators/{slug}/evaluate': {
        post: {
          operationId: 'evaluate',
          summary: 'The figures for some answers',
          description: 'A question that is not answered takes its default.',
          security: [{}, { key: [] }],
          requestParams: { path: z.object({ slug }) },
          requestBody: json(EvaluateRequest, {
            answers: { homePrice: 41260000, rate: '4.64' },
            language: 'en-CA',
          }),
          responses: {
            200: { description: 'The figures, with their words', ...json(EvaluateAnswer) },
            400: refusal('The request is not as described'),
            401: refusal('The key is unknown or was withdrawn'),
            404: refusal('There is no such calculator, or none was published'),
            410: refusal('It is no longer offered'),
            422: refusal('An answer is missing or out of range; `problems` says which and why'),
            429: refusal('Too many at once; the header Retry-After says how many seconds to wait'),
          },
        },
      },
      '/api/public/calculators/{slug}/files/{kind}': {
        post: {
          operationId: 'makeFile',
          summary: 'A file of the figures: PDF, spreadsheet, calendar, or only the days that matter',
          requestParams: { path: z.object({ slug, kind: z.enum(fileKinds) }) },
          requestBody: json(ShownRequest),
          responses: {
            200: {
              description: 'The file',
              content: {
                'application/pdf': { schema: z.string().meta({ format: 'binary' }) },
                'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet': {
                  schema: z.string().meta({ format: 'binary' }),
                },
                'text/calendar': { schema: z.string() },
              },
            },
            409: refusal('The figures are of another month; ask for today’s'),
            422: refusal('An answer is missing or out of range, or nothing is borrowed'),
            429: refusal('Too many at once'),
          },
        },
      },
      '/api/public/calculators/{slug}/hand-overs': {
        post: {
          operationId: 'handOver',
          summary: 'Figures handed over to the lender’s people, by somebody who wants to be reached',
          requestParams: { path: z.object({ slug }) },
          requestBody: json(HandOverRequest),
          responses: {
            202: {
              description: 'Kept, and delivered as soon as can be',
              ...json(z.object({ accepted: z.literal(true) })),
            },
            422: refusal('An answer is missing or out of range'),
            429: refusal('Too many at once'),
          },
        },
      },
    },
  })
