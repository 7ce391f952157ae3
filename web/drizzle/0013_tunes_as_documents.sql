-- A tune is kept as what it is, no more as the address of a view. The two functions are the program's own: data/earlierTunes.ts.
ALTER TABLE `tunes` ADD `tune` text DEFAULT '{"chart":""}' NOT NULL;--> statement-breakpoint
UPDATE `tunes` SET `tune` = tune_of_earlier(`query`, `chords`);--> statement-breakpoint
ALTER TABLE `tunes` DROP COLUMN `query`;--> statement-breakpoint
ALTER TABLE `tunes` DROP COLUMN `chords`;--> statement-breakpoint
UPDATE `book_changes` SET `steps` = steps_of_earlier(`steps`);
