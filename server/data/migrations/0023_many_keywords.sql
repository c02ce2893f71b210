-- Keywords come by the hundred thousand: whoever adds them counts once for all (data/keywords.ts), not a trigger for each.
DROP TRIGGER `ground_keyword_insert`;
