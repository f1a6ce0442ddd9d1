// Says that scripts run, before anything is painted; the submit buttons of self-keeping forms go.
document.documentElement.dataset.script = "";
