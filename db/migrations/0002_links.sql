CREATE TABLE `link` (
	`key` text PRIMARY KEY NOT NULL,
	`design_id` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`design_id`) REFERENCES `design`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `link_design_id_unique` ON `link` (`design_id`);