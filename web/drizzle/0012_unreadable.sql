CREATE TABLE `unreadable` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`of_table` text NOT NULL,
	`row` text NOT NULL,
	`reason` text NOT NULL,
	`found_at` integer NOT NULL
);
