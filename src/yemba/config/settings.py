"""Settings, all from the environment. ``README.md`` lists them."""

from datetime import timedelta
from pathlib import Path

import environ

ROOT = Path(__file__).resolve().parents[3]
env = environ.Env()

DATA = Path(env.str("YEMBA_DATA", default=str(ROOT / "var")))
environ.Env.read_env(DATA / "env")  # written by bin/demo; the environment itself goes first
DEMO = env.bool("YEMBA_DEMO", default=False)
DEBUG = env.bool("YEMBA_DEBUG", default=False)
SECRET_KEY = env.str("YEMBA_SECRET_KEY")
SCHEME = env.str("YEMBA_SCHEME", default="https")
STUDIO_HOST = env.str("YEMBA_STUDIO_HOST", default="localhost")
SITES_DOMAIN = env.str("YEMBA_SITES_DOMAIN", default="localhost")
"""Sites are served at NAME.SITES_DOMAIN, drafts at draft--NAME.SITES_DOMAIN; the studio elsewhere."""

SITES_PORT = env.str("YEMBA_SITES_PORT", default="")
"""The port visitors use where it is not the scheme's own; the demo's."""

MAKE_AHEAD = env.bool("YEMBA_MAKE_AHEAD", default=True)
"""Whether what publishing would wait for is made once somebody looks at the proof."""

MOST_SITES = env.int("YEMBA_MOST_SITES", default=20)
"""That one person may have."""

MOST_MEGABYTES = env.int("YEMBA_MOST_MEGABYTES", default=2000)
"""Of pictures, fonts and files that one person may keep."""

FEEDS = env.bool("YEMBA_FEEDS", default=True)
"""Whether calendars elsewhere are fetched."""

FEED_EVERY = timedelta(minutes=env.float("YEMBA_FEED_MINUTES", default=60))
"""How often each of them is."""

FEEDS_HOST = f"feeds.{SITES_DOMAIN}" if DEMO else ""
"""The demo's stand-in for a calendar elsewhere, the one host of this installation itself that may be asked for one."""

MOST_SIGN_UPS = env.int("YEMBA_MOST_SIGN_UPS", default=20)
"""From one address in a day."""

MOST_MESSAGES = env.int("YEMBA_MOST_MESSAGES", default=200)
"""That a site takes in an hour."""

ROOM = {
    "pages": env.int("YEMBA_MOST_PAGES", default=300),
    "sections": env.int("YEMBA_MOST_SECTIONS", default=60),
    "entries": env.int("YEMBA_MOST_ENTRIES", default=150),
    "pictures": env.int("YEMBA_MOST_PICTURES", default=600),
    "kilobytes": env.int("YEMBA_MOST_KILOBYTES", default=2000),
}
"""How many fit on a site, a page, a section, a site and a site."""

PROXIES = env.list("YEMBA_PROXIES", default=["127.0.0.1", "::1"])
"""Addresses of proxies in front, whose word is taken for who asks."""

ALLOWED_HOSTS = [STUDIO_HOST, f".{SITES_DOMAIN}", *(["127.0.0.1"] if DEMO else [])]
INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.messages",
    "django.contrib.staticfiles",
    "django_cotton",
    "axes",
    "csp",
    "yemba.people",
    "yemba.sites",
    "yemba.hosting",
    "yemba.studio",
    "yemba.demo",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "yemba.hosting.middleware.by_host",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "yemba.config.packing.packed",
    "csp.middleware.CSPMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.locale.LocaleMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "yemba.people.signed_out.in_json",
    "yemba.people.signed_out.never_kept",
    "django.contrib.messages.middleware.MessageMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
    "yemba.config.faults.CannotWrite",
]
ROOT_URLCONF = "yemba.config.urls"
WSGI_APPLICATION = "yemba.config.wsgi.application"
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "APP_DIRS": True,
        "OPTIONS": {
            "context_processors": [
                "django.template.context_processors.request",
                "django.contrib.auth.context_processors.auth",
                "django.contrib.messages.context_processors.messages",
                "yemba.studio.context.studio",
            ],
            "builtins": ["django.templatetags.i18n"],
        },
    }
]
DATABASES = {
    "default": {
        "ENGINE": "yemba.config.sqlite",
        "NAME": DATA / "yemba.sqlite3",
        # s that a thread keeps its connection: to open one, and read anew what SQLite held, is half of a short request
        "CONN_MAX_AGE": 600,
        "OPTIONS": {
            "transaction_mode": "IMMEDIATE",
            "timeout": 20,
            # The log goes into the database after 8,000 pages, 32 MB: at 1,000 every third edit of a large site waits
            "init_command": "PRAGMA journal_mode=WAL; PRAGMA synchronous=NORMAL; PRAGMA wal_autocheckpoint=8000;",
        },
    }
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

AUTH_USER_MODEL = "people.Person"
AUTHENTICATION_BACKENDS = ["axes.backends.AxesStandaloneBackend", "django.contrib.auth.backends.ModelBackend"]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": f"django.contrib.auth.password_validation.{name}"}
    for name in ("UserAttributeSimilarityValidator", "MinimumLengthValidator", "CommonPasswordValidator")
]
LOGIN_URL = "sign-in"
CSRF_FAILURE_VIEW = "yemba.people.signed_out.refused"
LOGIN_REDIRECT_URL = "sites"
LOGOUT_REDIRECT_URL = "front"
# Wrong passwords for one name from one address; ``people.throttle`` counts names and addresses by themselves too.
AXES_USERNAME_FORM_FIELD = "username"
AXES_FAILURE_LIMIT = 8
AXES_COOLOFF_TIME = 0.25  # hours
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_LOCKOUT_TEMPLATE = "studio/locked.html"

LANGUAGE_CODE = "en-gb"
LANGUAGES = [
    ("ar", "العربية"),
    ("en-gb", "English"),
    ("de", "Deutsch"),
    ("es", "Español"),
    ("fr", "Français"),
    ("pt", "Português"),
]
LANGUAGE_COOKIE_NAME = "language"
LANGUAGE_COOKIE_AGE = 365 * 24 * 3600
LANGUAGE_COOKIE_SAMESITE = "Lax"
LOCALE_PATHS = [ROOT / "src" / "yemba" / "studio" / "locale"]
FORMAT_MODULE_PATH = ["yemba.config.formats"]
TIME_ZONE = "UTC"
USE_TZ = True

STATIC_URL = "/static/"
STATIC_ROOT = DATA / "static"
STATICFILES_DIRS = [("families", Path(__file__).parents[1] / "catalogue/fonts")]
MEDIA_ROOT = DATA / "store"
STORAGES = {
    "default": {"BACKEND": "yemba.sites.store.WholeFileStorage"},
    "staticfiles": {"BACKEND": "whitenoise.storage.CompressedManifestStaticFilesStorage"},
}
DATA_UPLOAD_MAX_MEMORY_SIZE = 1_000_000
FILE_UPLOAD_MAX_MEMORY_SIZE = 1_000_000

X_FRAME_OPTIONS = "DENY"
_WINDOWS = f"{SCHEME}://*.{SITES_DOMAIN}:*"
CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": ["'none'"],
        "script-src": ["'self'"],
        "style-src": ["'self'"],
        "img-src": ["'self'", "data:", "blob:"],
        "font-src": ["'self'"],
        "connect-src": ["'self'"],
        "frame-src": [_WINDOWS],
        "form-action": ["'self'"],
        "base-uri": ["'none'"],
        "frame-ancestors": ["'none'"],
    }
}
SECURE_CONTENT_TYPE_NOSNIFF = True
SECURE_REFERRER_POLICY = "same-origin"
if SCHEME == "https":
    SECURE_SSL_REDIRECT = True
    SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https")
    SECURE_HSTS_SECONDS = 31_536_000
    SECURE_HSTS_INCLUDE_SUBDOMAINS = True
    SECURE_HSTS_PRELOAD = True
    SESSION_COOKIE_SECURE = True
    CSRF_COOKIE_SECURE = True
LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "handlers": {"console": {"class": "logging.StreamHandler"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
}
