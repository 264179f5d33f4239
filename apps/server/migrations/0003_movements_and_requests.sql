CREATE TABLE `movements` (
	`id` text PRIMARY KEY NOT NULL,
	`stock` text NOT NULL,
	`by` integer NOT NULL,
	`why` text NOT NULL,
	`cutting` text,
	`at` text NOT NULL,
	FOREIGN KEY (`stock`) REFERENCES `stock`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `movements_stock` ON `movements` (`stock`);--> statement-breakpoint
CREATE TABLE `requests` (
	`id` text PRIMARY KEY NOT NULL,
	`what` text NOT NULL,
	`answer` text,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `requests_at` ON `requests` (`at`);--> statement-breakpoint
ALTER TABLE `plans` ADD `basis` text DEFAULT '{"pageVersion":1,"papers":{},"habits":-1,"cuts":[]}' NOT NULL;--> statement-breakpoint
ALTER TABLE `plans` DROP COLUMN `page_version`;--> statement-breakpoint
ALTER TABLE `habits` ADD `version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `pages` ADD `summary` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `papers` ADD `revision` integer DEFAULT 1 NOT NULL;