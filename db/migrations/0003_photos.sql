CREATE TABLE `photo` (
	`design_id` text NOT NULL,
	`id` text NOT NULL,
	`jpeg` blob NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`design_id`, `id`),
	FOREIGN KEY (`design_id`) REFERENCES `design`(`id`) ON UPDATE no action ON DELETE cascade
);
