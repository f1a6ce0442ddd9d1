"""Who somebody is: accounts, signing in and out."""
