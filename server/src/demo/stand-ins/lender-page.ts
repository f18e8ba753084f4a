/** A page of the made-up lender: what its tab is called, the line beside the lender's name, and what stands on it. */
export const lenderPage = (title: string, line: string, body: string): string => `<!doctype html>
<html lang="en-CA">
<head>
  <meta charset="utf-8">
  <meta name="viewport" content="width=device-width, initial-scale=1">
  <title>${title} · Larkmoor Mutual</title>
  <link rel="stylesheet" href="/site.css">
  <link rel="icon" href="data:,">
</head>
<body>
  <header><strong>Larkmoor Mutual</strong><span>${line}</span></header>
  <main>
    ${body}
  </main>
</body>
</html>
`
