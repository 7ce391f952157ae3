CREATE INDEX `kept_shapes_counts` ON `kept_shapes` (`deleted_at`,`tune_id`);--> statement-breakpoint
CREATE INDEX `practice_attempts_materials` ON `practice_attempts` (`kind`,`material`,`deleted_at`);--> statement-breakpoint
CREATE INDEX `practice_attempts_instruments` ON `practice_attempts` (`instrument`,`deleted_at`);