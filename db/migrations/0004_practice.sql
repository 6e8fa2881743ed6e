CREATE TABLE `practice` (
	`id` text PRIMARY KEY NOT NULL,
	`learner` text NOT NULL,
	`kind` text NOT NULL,
	`subject` text NOT NULL,
	`seed` integer,
	`points` integer NOT NULL,
	`at` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `practice_by_learner` ON `practice` (`learner`,`at`);