CREATE TABLE `instruments` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`name` text NOT NULL,
	`tuning_name` text NOT NULL,
	`tuning` text NOT NULL,
	`capo_fret` integer,
	`capo_strings` text,
	`frets` integer NOT NULL,
	`scale_length_mm` real NOT NULL,
	`spacing_nut_mm` real NOT NULL,
	`spacing_bridge_mm` real NOT NULL,
	`last_reachable_fret` integer NOT NULL,
	`handed` text NOT NULL,
	`pluck` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `instruments_name_unique` ON `instruments` (`name`);--> statement-breakpoint
CREATE TABLE `kept_shapes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`name` text NOT NULL,
	`chord` text NOT NULL,
	`shape` text NOT NULL,
	`tuning` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL,
	`deleted_at` integer,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `settings` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
