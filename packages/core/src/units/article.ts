/** "a 15 A fuse", "an 8 A fuse", "an ethanol share": the article by what is heard first. */
export const withArticle = (words: string): string =>
  `${/^(8|11(?!\d)|18(?!\d)|[aeio]|u(?!n[iu]))/i.test(words) ? 'an' : 'a'} ${words}`;
