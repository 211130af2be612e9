"""The rules of the job: pure functions on values, with no web, database or clock."""
