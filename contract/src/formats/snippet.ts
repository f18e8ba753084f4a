import { htmlText } from './html'

/** What a site developer pastes into a page: the script of a placement, and a link for browsers that run none. */
export function placementSnippet(
  origin: string,
  { id, slug, title }: { readonly id: string; readonly slug: string; readonly title: string },
): string {
  const at = htmlText(origin)
  return (
    `<script async src="${at}/embed.js" data-placement="${htmlText(id)}"></script>\n` +
    `<noscript><a href="${at}/c/${encodeURIComponent(slug)}">${htmlText(title)}</a></noscript>`
  )
}
