CREATE TABLE `rules` (
	`id` integer PRIMARY KEY NOT NULL,
	`document` text NOT NULL
);
