-- Ways are chosen by taste from now on: what was kept before stays as it was, each shape held, until its player lets them go.
UPDATE `tunes` SET `query` = `query` || '&hold=' || (
  SELECT group_concat((`key` + 1) || ':' || json_extract(`value`, '$.frets'), ',') FROM json_each(CASE WHEN json_valid(`tunes`.`chords`) THEN `tunes`.`chords` ELSE '[]' END)
  WHERE json_extract(`value`, '$.frets') IS NOT NULL
)
WHERE EXISTS (SELECT 1 FROM json_each(CASE WHEN json_valid(`tunes`.`chords`) THEN `tunes`.`chords` ELSE '[]' END) WHERE json_extract(`value`, '$.frets') IS NOT NULL);
