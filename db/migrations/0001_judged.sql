ALTER TABLE `design` ADD `judged_revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `design` ADD `slow_faults` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `design` ADD `slow_cautions` integer DEFAULT 0 NOT NULL;