"""Every command there is, one module per subject."""
