CREATE TABLE `change` (
	`design_id` text NOT NULL,
	`revision` integer NOT NULL,
	`change_id` text NOT NULL,
	`kind` text NOT NULL,
	`target` integer,
	`label` text NOT NULL,
	`diff` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`design_id`, `revision`),
	FOREIGN KEY (`design_id`) REFERENCES `design`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `change_by_change_id` ON `change` (`design_id`,`change_id`);--> statement-breakpoint
CREATE TABLE `design` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`vehicle` text NOT NULL,
	`head_revision` integer NOT NULL,
	`schema_version` integer NOT NULL,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL,
	`deleted_at` integer,
	`circuits` integer NOT NULL,
	`worst_drop_percent` real,
	`daily_wh` real NOT NULL,
	`runtime_h` real,
	`faults` integer NOT NULL,
	`cautions` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `record` (
	`design_id` text NOT NULL,
	`id` text NOT NULL,
	`type` text NOT NULL,
	`json` text NOT NULL,
	PRIMARY KEY(`design_id`, `id`),
	FOREIGN KEY (`design_id`) REFERENCES `design`(`id`) ON UPDATE no action ON DELETE cascade
);
