"""The studio's addresses. Each view parses, calls one service, answers."""
