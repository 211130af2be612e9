"""What is shown: items of drawings, tape strips, answers of a step, verdicts."""
