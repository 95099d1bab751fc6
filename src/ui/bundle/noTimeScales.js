// Stands in for the calendars of d3-scale, which only its scales of time would ask for; no drawing here has one.
export {};
