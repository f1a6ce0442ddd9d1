"""Sites and their drafts: the ORM around ``core.site`` and ``core.change``."""
