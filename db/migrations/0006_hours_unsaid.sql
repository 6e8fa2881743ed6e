ALTER TABLE `design` ADD `without_hours` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `design` SET `judged_revision` = 0;
