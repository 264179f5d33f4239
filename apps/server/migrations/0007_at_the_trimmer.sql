CREATE TABLE `devices` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`token` text NOT NULL,
	`admitted_at` text NOT NULL,
	`seen_at` text NOT NULL,
	`out_at` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `devices_token_unique` ON `devices` (`token`);--> statement-breakpoint
CREATE TABLE `session_events` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`session` text NOT NULL,
	`event` text NOT NULL,
	`idle` text,
	`received_at` text NOT NULL,
	FOREIGN KEY (`session`) REFERENCES `sessions`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `session_events_id_unique` ON `session_events` (`id`);--> statement-breakpoint
CREATE INDEX `session_events_session` ON `session_events` (`session`,`seq`);--> statement-breakpoint
CREATE TABLE `sessions` (
	`id` text PRIMARY KEY NOT NULL,
	`page` text NOT NULL,
	`pages` text NOT NULL,
	`plans` text NOT NULL,
	`started_at` text NOT NULL,
	`ended_at` text
);
--> statement-breakpoint
CREATE INDEX `sessions_page` ON `sessions` (`page`,`started_at`);