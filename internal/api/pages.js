// How many pages each home's sheets take, for "page n of m" at their foot. The sheet is
// laid in columns as wide and high as the chosen paper's page: columns are broken as
// pages are. Without script the page's number stands alone.
document.fonts.ready.then(() => {
  const { width, height } = document.body.dataset;
  const counting = document.createElement('style');
  counting.textContent = `.counting{width:${width}mm;height:${height}mm;columns:${width}mm 1;column-gap:0;column-fill:auto}
    .counting .truesize:not(:last-of-type){break-after:column}`;
  document.head.append(counting);
  const pages = {};
  for (const sheet of document.querySelectorAll('.sheet-of-pack')) {
    sheet.classList.add('counting');
    pages[sheet.style.page] = (pages[sheet.style.page] ?? 0) + Math.max(1, Math.round(sheet.scrollWidth / sheet.clientWidth));
    sheet.classList.remove('counting');
  }
  const of = document.createElement('style');
  of.textContent = [...document.querySelectorAll('.owner')]
    .map(({ dataset: d }) => `@page ${d.page}{@bottom-right{content:"${d.n} " counter(n${d.page}) " ${d.of} ${pages[d.page]}";font-size:8.5pt}}`)
    .join('\n');
  document.head.append(of);
  document.body.dataset.counted = 'yes';
});
