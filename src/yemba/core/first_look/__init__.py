"""First looks: whole designs for a new site, worked out from what its owner gave."""
