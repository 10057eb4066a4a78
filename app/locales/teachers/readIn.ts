/** What is said of files that were made elsewhere. */
export default {
  readIn: {
    title: 'From a file: {title}',
    unnamed: 'From a file',
    reading: '{name} is being read …',
    how: 'Each page stands here as it would be. Whatever is printed is locked; headings, empty shapes, lines and large pictures are printed always.',
    allPages: 'All pages',
    mixed: 'Not all the same',
    uses: {
      printed: 'All of it printed',
      lying: 'Words and pictures are pieces, where they lie',
      ledge: 'Words and pictures are pieces, on the ledge',
      'left-out': 'Leave this page out',
    },
    make: 'Make a board | Make a board of {count} page | Make a board of {count} pages',
    asPicture: 'Take it as one picture',
    questions: '{count} question becomes a page. | {count} questions become a page each.',
    withAnswers:
      'None of them comes with its answer. | {count} comes with its answer. | {count} come with their answers.',
    sheet: 'Sheet',
    noWords: 'There are no words in this file. Nothing was added.',
    nothingLost: 'All that is in the file can be on the board.',
    lost: 'What the board can’t keep of the file',
    onPages: 'page {pages}',
    codes: {
      animations: 'Movement and transitions: everything is there from the start',
      'speaker-notes': 'Notes for the speaker',
      comments: 'Comments',
      'sounds-and-films':
        'A sound or film; add it at the workbench | {count} sounds or films; add them at the workbench',
      charts: 'A chart | {count} charts',
      embedded: 'A thing of another program, or a large table | {count} things of other programs, or large tables',
      'pictures-elsewhere':
        'A picture that isn’t in the file but elsewhere, and isn’t fetched | {count} pictures that aren’t in the file but elsewhere, and aren’t fetched',
      'pictures-unread': 'A picture that can’t be read | {count} pictures that can’t be read',
      'shapes-simplified': 'A shape that is drawn more simply | {count} shapes that are drawn more simply',
      holes: 'A hole or a further part of a shape | {count} holes or further parts of shapes',
      gradients: 'A run of colours, of which one is kept | {count} runs of colours, of which one each is kept',
      effects: 'What is cut out, masked or blurred of something | What is cut out, masked or blurred of {count} things',
      'words-turned-upright': 'Printed words that stood aslant stand upright',
      'pictures-turned-upright':
        'A printed picture that lay aslant lies straight | {count} printed pictures that lay aslant lie straight',
      'words-cut': 'The end of a text that is too long | The ends of {count} texts that are too long',
      'words-colours': 'The colour of words: all words are dark',
      'grounds-lightened':
        'A dark ground that is lighter now, so that dark words can be read on it | {count} dark grounds that are lighter now, so that dark words can be read on them',
      links: 'Where a link leads; add it at the workbench | Where {count} links lead; add them at the workbench',
      'pages-too-many': 'A page more than a board can have | {count} pages more than a board can have',
      'figures-too-many': 'A shape more than a page can have | {count} shapes more than a page can have',
      'lines-too-many': 'A line more than a page can have | {count} lines more than a page can have',
      'pictures-too-many': 'A picture more than a page can have | {count} pictures more than a page can have',
      'pieces-too-many': 'A piece more than a page can have | {count} pieces more than a page can have',
      formulas: 'How a formula is set: its letters are kept | How {count} formulas are set: their letters are kept',
      'unknown-interaction':
        'A question of a kind that no board can ask | {count} questions of kinds that no board can ask',
      'no-answer': 'A question that comes without its answer | {count} questions that come without their answers',
      points:
        'Answers that are worth more than others: each is worth one | Answers that are worth more than others: each is worth one',
      feedback: 'What is said after an answer',
      programs: 'A program in the file, which isn’t run | {count} programs in the file, which aren’t run',
    },
  },
}
