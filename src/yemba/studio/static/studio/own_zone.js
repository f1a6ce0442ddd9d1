// The browser's own time zone is chosen in the field that asks for one, where the page has it among its choices.
const field = document.querySelector("[data-own-zone]");
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
if (field && [...field.options].some((option) => option.value === zone)) field.value = zone;
