"""What reaches visitors: editions, live sites, drafts behind signed addresses."""
