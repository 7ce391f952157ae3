CREATE TABLE `book_changes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`words` text NOT NULL,
	`at` integer NOT NULL,
	`steps` text NOT NULL,
	`undone_at` integer
);
--> statement-breakpoint
CREATE TABLE `sheets` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`title` text NOT NULL,
	`body` text NOT NULL,
	`created_at` integer NOT NULL,
	`deleted_at` integer,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
ALTER TABLE `kept_shapes` ADD `tune_id` integer REFERENCES tunes(id);--> statement-breakpoint
ALTER TABLE `kept_shapes` ADD `tags` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `kept_shapes` ADD `search` text DEFAULT '' NOT NULL;--> statement-breakpoint
CREATE INDEX `kept_shapes_newest` ON `kept_shapes` (`deleted_at`,`created_at`);--> statement-breakpoint
CREATE INDEX `kept_shapes_tune` ON `kept_shapes` (`tune_id`);--> statement-breakpoint
CREATE INDEX `kept_shapes_same` ON `kept_shapes` (`shape`,`tuning`);--> statement-breakpoint
ALTER TABLE `tunes` ADD `remarks` text DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `kept_shapes` SET `search` = replace(replace(lower(`name` || ' ' || `chord` || ' ' || `shape` || ' ' || `note`), '♭', 'b'), '♯', '#');
