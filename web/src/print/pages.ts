// How many pages each home's sheets take, for "page n of m" at their foot. The sheet is
// laid in columns as wide and high as the chosen paper's page: columns are broken as pages
// are. Without script the page's number stands alone.

const style = (text: string) => {
  const s = document.createElement('style');
  s.textContent = text;
  document.head.append(s);
};

void document.fonts.ready.then(() => {
  const { width, height } = document.body.dataset;
  style(`.counting{width:${width}mm;height:${height}mm;columns:${width}mm 1;column-gap:0;column-fill:auto}
    .counting .truesize:not(:last-of-type){break-after:column}`);
  const pages: Record<string, number> = {};
  for (const sheet of document.querySelectorAll<HTMLElement>('.sheet-of-pack')) {
    const of = sheet.style.getPropertyValue('page');
    sheet.classList.add('counting');
    const columns = Math.max(1, Math.round(sheet.scrollWidth / sheet.clientWidth));
    sheet.classList.remove('counting');
    pages[of] = (pages[of] ?? 0) + columns;
  }
  const owners = [...document.querySelectorAll<HTMLElement>('.owner')].map((o) => o.dataset);
  style(
    owners
      .map(
        ({ page, n, of }) =>
          `@page ${page}{@bottom-right{content:"${n} " counter(n${page}) " ${of} ${pages[page!]}";font-size:8.5pt}}`,
      )
      .join('\n'),
  );
  document.body.dataset.counted = 'yes';
});
