-- The words of every keyword, for phrase and all-words filters. Contentless: only row ids come out.
-- Filled in bulk up to a mark (server/data/keywordWords.ts): a trigger for each row would cost three times as much.
CREATE VIRTUAL TABLE keyword_words USING fts5(
  key, content='', columnsize=0, detail=full,
  tokenize="unicode61 remove_diacritics 0 categories 'L* N* M* Co' tokenchars '''-&+#.'"
);--> statement-breakpoint
CREATE TABLE keyword_words_mark (one INTEGER PRIMARY KEY CHECK (one = 1), upto INTEGER NOT NULL);--> statement-breakpoint
INSERT INTO keyword_words_mark (one, upto) VALUES (1, 0);
