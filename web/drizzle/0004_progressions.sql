CREATE TABLE `progressions` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`role` text NOT NULL,
	`title` text NOT NULL,
	`key` text DEFAULT '' NOT NULL,
	`metre` text DEFAULT '4/4' NOT NULL,
	`tempo_bpm` integer DEFAULT 80 NOT NULL,
	`steps` text NOT NULL,
	`created_at` integer NOT NULL,
	`deleted_at` integer,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
INSERT INTO `progressions` (`id`, `role`, `title`, `steps`, `created_at`, `deleted_at`)
SELECT `id`, 'kept', `name`, (
	SELECT json_group_array(json(step)) FROM (
		SELECT json_object(
			'id', json_extract(value, '$.id'),
			'beats', 4,
			'chord', json_extract(value, '$.chord'),
			'shape', json_object(
				'chord', json_extract(value, '$.chord'),
				'frets', json_extract(value, '$.shape'),
				'tuning', json_extract(value, '$.tuning'),
				'fingers', ''
			),
			'held', json('true')
		) AS step FROM json_each(`kept_sets`.`shapes`) ORDER BY key
	)
), `created_at`, `deleted_at` FROM `kept_sets`;--> statement-breakpoint
INSERT INTO `progressions` (`role`, `title`, `steps`, `created_at`, `version`)
SELECT 'tray', `name`, (
	SELECT json_group_array(json(step)) FROM (
		SELECT json_object(
			'id', json_extract(value, '$.id'),
			'beats', 4,
			'chord', json_extract(value, '$.chord'),
			'shape', json_object(
				'chord', json_extract(value, '$.chord'),
				'frets', json_extract(value, '$.shape'),
				'tuning', json_extract(value, '$.tuning'),
				'fingers', ''
			),
			'held', json('true')
		) AS step FROM json_each(`trays`.`shapes`) ORDER BY key
	)
), CAST(strftime('%s', 'now') AS INTEGER) * 1000, `version` FROM `trays`;
