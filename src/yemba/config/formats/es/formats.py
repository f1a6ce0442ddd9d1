from yemba.config.formats import *  # noqa: F403
