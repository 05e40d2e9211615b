/** What is asked of a house, as words for a message. */
export function askInWords(house: string, about: string, questions: readonly string[]): string {
  return `${house}, about ${about}:\n${questions.map((one) => `- ${one}`).join('\n')}\n`;
}

/** The same as a page with room for the answers: HTML that needs nothing else. */
export function askAsPage(
  asked: { shop: string; house: string; about: string; date: string },
  questions: readonly string[],
): string {
  const [shop, house, about, date] = [asked.shop, asked.house, asked.about, asked.date].map(escaped);
  const list = questions.map((one) => `<li>${escaped(one)}<div></div></li>`).join('\n');
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>${house!}: questions</title>
<style>
body { font: 12pt/1.4 sans-serif; margin: 20mm; max-width: 170mm; }
li { margin-top: 6mm; }
li div { border-bottom: 0.3mm solid #000; height: 12mm; }
</style>
<h1>${house!}</h1>
<p>${shop!} asks, ${date!}, about ${about!}:</p>
<ol>
${list}
</ol>
</html>
`;
}

function escaped(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}
