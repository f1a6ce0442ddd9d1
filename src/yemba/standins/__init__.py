"""Stand-ins for services outside of Yemba. Each says that it is one; none asks anybody anything."""
