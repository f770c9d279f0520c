// What the documentation has, in the order in which it is read: the file in docs/ without .md, and what the menu calls it.
export const sections = [
  {
    title: 'Learn',
    pages: [
      ['first-view', 'A first view'],
      ['in-a-game', 'In a game'],
      ['make-it-fit', 'Make it fit'],
      ['fix-findings', 'Fix what is found'],
      ['workbench', 'The workbench'],
      ['questions', 'Ten questions'],
    ],
  },
  {
    title: 'How to',
    pages: [
      ['recipes', 'Recipes'],
      ['jest', 'Test with Jest'],
      ['live', 'A view that lives'],
      ['input', 'A view that answers'],
      ['text', 'Texts, fonts, languages'],
      ['pictures', 'Pictures'],
      ['rearranging', 'Rearrange'],
      ['compare', 'Compare with yesterday'],
      ['reports', 'Reports'],
      ['painting', 'Painters: canvas, DOM, PixiJS'],
    ],
  },
  {
    title: 'Reference',
    pages: [
      ['document', 'The document'],
      ['keys', 'Every key'],
      ['commands', 'Commands'],
      ['checks/README', 'Every check'],
      ['api/README', 'TypeScript'],
      ['json-report', 'The JSON report'],
      ['glossary', 'Words'],
    ],
  },
  {
    title: 'Ideas',
    pages: [
      ['layout-model', 'The layout model'],
      ['checks', 'What a check is'],
      ['checking', 'What a check goes through'],
      ['proof', 'Proof over every size'],
      ['architecture', 'Architecture'],
      ['accuracy', 'How much is found'],
      ['performance', 'How fast'],
      ['reliability', 'What goes wrong'],
      ['style', 'How we write'],
    ],
  },
];
