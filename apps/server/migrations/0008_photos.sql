CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`file` text NOT NULL,
	`name` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`bytes` integer NOT NULL,
	`facts` text NOT NULL,
	`demo` integer DEFAULT false NOT NULL,
	`added_at` text NOT NULL,
	`removed_at` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `photos_file_unique` ON `photos` (`file`);