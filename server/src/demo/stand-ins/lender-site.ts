import express, { type Express, type Router } from 'express'
import { handOverReceiver } from './hand-over-receiver'
import { lenderPage } from './lender-page'

/**
 * The website of the made-up lender: a stand-in for the pages on which a site developer places a calculator.
 * It is served on a port of its own, so that a calculator is framed across origins as it is in earnest.
 * `/` shows the floating home mortgage, `/borrow/:slug` any other by its address, `/placed/:id` a
 * placement by the snippet the desk gives; `/both` shows two on one page, with answers to begin with, and a line that follows what visitors do.
 */
export function lenderSite(vividOrigin: () => string, mailPage?: Router): Express {
  const app = express()
  app.get(
    '/',
    (_req, res) => void res.type('html').send(page(placed(vividOrigin(), 'floating-home-mortgage'))),
  )
  app.get('/both', (_req, res) => void res.type('html').send(page(both(vividOrigin()))))
  app.get('/follow.js', (_req, res) => void res.type('js').send(follow))
  app.get('/borrow/:slug', (req, res) => {
    const { slug } = req.params
    if (!/^[a-z0-9-]{1,80}$/.test(slug)) return void res.status(404).type('text').send('No such page.')
    res.type('html').send(page(placed(vividOrigin(), slug)))
  })
  app.get('/placed/:id', (req, res) => {
    const { id } = req.params
    if (!/^[0-9a-f]{16}$/.test(id)) return void res.status(404).type('text').send('No such page.')
    res
      .type('html')
      .send(page(`<script async src="${vividOrigin()}/embed.js" data-placement="${id}"></script>`))
  })
  app.use(handOverReceiver())
  if (mailPage) app.use(mailPage)
  app.get('/site.css', (_req, res) => void res.type('css').send(stylesheet))
  app.use((_req, res) => void res.status(404).type('text').send('No such page.'))
  return app
}

/** As the desk gives it: with a link for browsers that run no scripts. */
const placed = (vividOrigin: string, slug: string, more = '') => `
    <script async src="${vividOrigin}/embed.js" data-calculator="${slug}"${more}></script>
    <noscript><a href="${vividOrigin}/c/${slug}">The calculator on a page of its own</a></noscript>`

const both = (vividOrigin: string) =>
  placed(vividOrigin, 'floating-home-mortgage', ' data-answers="homePrice=500,000&downPayment=20%25"') +
  placed(vividOrigin, 'renew-your-mooring-mortgage', ' data-language="fr-CA" data-height="2400"') +
  '<p id="followed">Nothing was done yet.</p><script src="/follow.js"></script>'

/** What a host page may do with the events: they bubble from the calculator's frame. */
const follow = `
for (const event of ['opened', 'changed', 'result', 'kept', 'handedOver'])
  document.addEventListener('vivid-meter:' + event, ({ type, detail }) => {
    document.getElementById('followed').textContent += ' ' + type + ' ' + detail.calculator + ' ' + detail.language + '.'
  })
`

const page = (calculators: string) =>
  lenderPage(
    'Borrow',
    'Lending to people who live on the water',
    `<h1>What would it cost?</h1>
    <p>Floating homes, narrowboats and boathouses are what we know. Put in your own figures; nothing you type is kept unless you send it to us.</p>
    ${calculators}
    <p class="after">Questions? Our people at Quay 4 answer from eight to six. This site is a made-up example.</p>`,
  )

const stylesheet = `
body { margin: 0; font: 17px/1.5 Georgia, serif; color: #12302f; background: #f2f7f5; }
header { background: #123c3a; color: #fff; padding: 16px 32px; display: flex; gap: 20px; align-items: baseline; flex-wrap: wrap; }
header span { color: #bcd8d3; font-size: 15px; }
main { max-width: 1180px; margin: 0 auto; padding: 20px 16px 48px; }
h1 { margin: 8px 0; font-size: 30px; }
.after { color: #4a6664; }
article { margin: 20px 0; padding: 16px 20px; background: #fff; border-left: 6px solid #123c3a; }
article h2 { margin: 0; font-size: 20px; }
article ul { padding-left: 20px; }
`
