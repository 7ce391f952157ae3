DROP TABLE `kept_sets`;--> statement-breakpoint
DROP TABLE `trays`;