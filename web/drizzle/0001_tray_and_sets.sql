CREATE TABLE `kept_sets` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`name` text NOT NULL,
	`shapes` text NOT NULL,
	`created_at` integer NOT NULL,
	`deleted_at` integer
);
--> statement-breakpoint
CREATE TABLE `trays` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`shapes` text NOT NULL,
	`version` integer NOT NULL
);
