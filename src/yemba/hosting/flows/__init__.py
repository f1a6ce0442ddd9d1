"""What is done with a site as visitors see it. One flow, one file."""
