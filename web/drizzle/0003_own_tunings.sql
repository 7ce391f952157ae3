CREATE TABLE `own_tunings` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`name` text NOT NULL,
	`tuning` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `own_tunings_name_unique` ON `own_tunings` (`name`);