/** On paper, and as files for other programs. */
export default {
  paper: {
    open: 'Print or export',
    title: 'On paper or as a picture',
    what: 'What',
    whats: {
      pages: 'The pages',
      poster: 'A poster over several sheets',
      'cut-out': 'Pieces to cut out',
      'two-sided': 'Cards with two sides',
      png: 'A picture (PNG)',
      svg: 'A drawing (SVG)',
    },
    says: {
      pages: 'One sheet for each page. On sheets of the page’s own size a centimetre is a centimetre.',
      poster: 'Sheets that reach a little over each other: cut along the dashes, and glue.',
      'cut-out': 'All pieces at their true size, with lines to cut along. Of a pile that never runs out there are six.',
      'two-sided':
        'What belongs together by the answers, on the two sides of a card. Print on both sides, turned on the long edge.',
      png: 'A page as a picture, for a text or a slide.',
      svg: 'A page whose parts other drawing programs can take apart.',
    },
    sheet: 'Sheet',
    sheets: { own: 'The page’s own size', a4: 'A4', a3: 'A3', letter: 'Letter' },
    grey: 'Without colours',
    percent: 'Size in per cent',
    page: 'Page',
    sets: 'Sets, one for each group',
    headings: 'Blank headings in each set',
    numbers: 'With numbers on the back',
    dpi: 'Dots to the inch',
    make: 'Open the PDF',
    save: 'Save it',
  },
}
