CREATE TABLE `practice_attempts` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`run_id` text,
	`card_id` text,
	`at` integer NOT NULL,
	`day` text NOT NULL,
	`material` text NOT NULL,
	`suffix` text NOT NULL,
	`root` text NOT NULL,
	`string` integer NOT NULL,
	`frets` text NOT NULL,
	`form` text NOT NULL,
	`tuning` text NOT NULL,
	`tempo` integer NOT NULL,
	`grade` text NOT NULL,
	`judge` text NOT NULL,
	`shown` integer NOT NULL,
	`seconds` real NOT NULL,
	`faults` text NOT NULL,
	`instrument` text NOT NULL,
	`deleted_at` integer,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `practice_runs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `practice_attempts_day` ON `practice_attempts` (`day`);--> statement-breakpoint
CREATE INDEX `practice_attempts_card` ON `practice_attempts` (`card_id`);--> statement-breakpoint
CREATE INDEX `practice_attempts_shape` ON `practice_attempts` (`kind`,`suffix`,`form`,`root`,`at`);--> statement-breakpoint
CREATE INDEX `practice_attempts_newest` ON `practice_attempts` (`kind`,`at`);--> statement-breakpoint
CREATE INDEX `practice_attempts_run` ON `practice_attempts` (`run_id`);--> statement-breakpoint
CREATE TABLE `practice_cards` (
	`id` text PRIMARY KEY NOT NULL,
	`card` text NOT NULL,
	`tuning` text NOT NULL,
	`material_id` integer NOT NULL,
	`created_at` integer NOT NULL,
	`due_at` integer NOT NULL,
	`stability` real NOT NULL,
	`difficulty` real NOT NULL,
	`scheduled_days` integer NOT NULL,
	`learning_steps` integer NOT NULL,
	`reps` integer NOT NULL,
	`lapses` integer NOT NULL,
	`state` integer NOT NULL,
	`last_at` integer,
	FOREIGN KEY (`material_id`) REFERENCES `practice_materials`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `practice_materials` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`text` text NOT NULL,
	`tuning` text NOT NULL,
	`title` text DEFAULT '' NOT NULL,
	`created_at` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `practice_materials_text` ON `practice_materials` (`text`,`tuning`);--> statement-breakpoint
CREATE TABLE `practice_runs` (
	`id` text PRIMARY KEY NOT NULL,
	`material_id` integer NOT NULL,
	`query` text NOT NULL,
	`started_at` integer NOT NULL,
	FOREIGN KEY (`material_id`) REFERENCES `practice_materials`(`id`) ON UPDATE no action ON DELETE no action
);
