"""Reach: axe-core on every view, and the whole job without a pointer."""

import re

import pytest
from axe_playwright_python.sync_playwright import Axe
from playwright.sync_api import Page, expect

from tests.browser.conftest import field, open_house, step_button

STEPS = (
    "Size", "Inside", "Set out", "Square up", "Keep pegs", "Level", "Earth", "Drain", "Weather", "By its name",
    "Footing", "Bows", "Strength", "Frames", "Bend", "Check bows", "Carries",
)  # fmt: skip


AXE = Axe()
# What it finds, and nothing of what it passes. A page that changed under the look is looked at again: what was
# taken out of it in the meantime is in no list.
LOOK = """async within => {
  let changed = true;
  const watch = new MutationObserver(() => { changed = true; });
  watch.observe(document.body, { childList: true, subtree: true });
  try {
    for (let look = 0; look < 20; look += 1) {
      changed = false;
      const { violations } = await axe.run(within ?? document, { resultTypes: ["violations"] });
      await new Promise(requestAnimationFrame);
      if (!changed) return violations
        .filter(({ impact }) => impact === "serious" || impact === "critical")
        .map(({ id, help, nodes }) => `${id}: ${help} at ${nodes[0].target}`);
    }
    throw new Error("the page never stood still");
  } finally { watch.disconnect(); }
}"""


def serious(page: Page, within: str | None = None) -> list[str]:
    """What axe-core finds that is serious, of a page that stands still; it is brought into a page once."""
    if page.evaluate("typeof axe") == "undefined":
        page.evaluate(AXE.axe_script)
    return list(page.evaluate(LOOK, within))


def test_the_yard_is_within_reach(page: Page) -> None:
    assert serious(page) == []


@pytest.mark.parametrize("step", STEPS)
def test_every_step_is_within_reach(page: Page, step: str) -> None:
    open_house(page, "Dune edge", step)
    assert serious(page) == []
    page.get_by_role("button", name="as a table").click()
    assert serious(page, "main") == []


def test_the_rest_is_within_reach(page: Page) -> None:
    open_house(page, "Dune edge")
    step_button(page, "Level").click()
    for name in ("Paste or open readings", "Spots between the pegs"):
        page.get_by_role("button", name=name).click()
        page.get_by_role("button", name="Back to the step").wait_for()
        assert serious(page) == []
        page.get_by_role("button", name="Back to the step").click()
    page.get_by_role("button", name="Keys").click()
    assert serious(page) == []
    page.keyboard.press("Escape")
    for name in ("History", "Print and files"):
        page.get_by_role("button", name=name).click()
        page.get_by_role("complementary", name=name).wait_for()
        assert serious(page) == []


def test_in_the_sun_all_is_within_reach(page: Page, pytestconfig: pytest.Config) -> None:
    page.get_by_role("button", name="For the sun").click()
    assert serious(page) == []
    open_house(page, "Dune edge")
    # The same colours on every step: a third of them, or all.
    for step in STEPS if pytestconfig.getoption("--deep") else STEPS[::3]:
        step_button(page, step).click()
        expect(step_button(page, step)).to_have_attribute("aria-current", "step")
        expect(page.locator("html")).to_have_attribute("data-sun", "")
        assert serious(page) == []
    page.reload()
    expect(page.locator("html")).to_have_attribute("data-sun", "")


def test_the_bench_fits_its_screen(page: Page) -> None:
    open_house(page, "Upper terrace")
    for step in STEPS:
        step_button(page, step).click()
        expect(step_button(page, step)).to_have_attribute("aria-current", "step")
        assert page.evaluate("document.documentElement.scrollHeight") <= 800, step


def test_a_refusal_is_within_reach(page: Page) -> None:
    open_house(page, "Kitchen plot")
    field(page, "size.span_m").fill("wide")
    expect(page.get_by_text("Can't read")).to_be_visible()
    assert serious(page) == []


def test_a_house_is_laid_out_without_a_pointer(page: Page) -> None:
    def tab_to(wanted: str) -> None:
        for _ in range(60):
            page.keyboard.press("Tab")
            here = page.evaluate("document.activeElement.outerHTML.slice(0, 400)")
            if wanted in here:
                return
        raise AssertionError(f"no way by Tab to {wanted}")

    tab_to("New house in feet")
    page.keyboard.press("Enter")
    page.locator("[data-strip]").wait_for()
    tab_to('data-measure="size.span_m"')
    page.keyboard.type("20-6")
    page.keyboard.press("Enter")
    page.keyboard.press("Shift+Tab")
    expect(field(page, "size.span_m")).to_have_value("20' 6\"")
    tab_to('data-handle="size.shape.height_m"')
    page.keyboard.press("Shift+ArrowUp")
    expect(field(page, "size.shape.height_m")).to_have_value("14' 3\"")
    tab_to("data-strip")
    page.keyboard.press("ArrowRight")
    expect(page.locator('[aria-selected="true"]')).to_have_count(1)


def test_focus_is_always_seen(page: Page) -> None:
    open_house(page, "Upper terrace")
    for _ in range(25):
        page.keyboard.press("Tab")
        seen = page.evaluate(
            """() => {
              const here = document.activeElement;
              const ring = here.querySelector?.('.ring');
              const style = getComputedStyle(ring ?? here);
              const outlined = parseFloat(style.outlineWidth) > 0 && style.outlineStyle !== 'none';
              const parent = getComputedStyle(here.closest('[data-focus-visible]') ?? here);
              return here === document.body || outlined || (ring && style.stroke !== 'none')
                || (parseFloat(parent.outlineWidth) > 0 && parent.outlineStyle !== 'none');
            }"""
        )
        assert seen, page.evaluate("document.activeElement.outerHTML.slice(0, 200)")


def test_a_narrow_screen_keeps_its_head_low_and_the_step_in_sight(page: Page) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    open_house(page, "Upper terrace", "Check bows")
    steps = page.get_by_role("navigation", name="Steps")
    here = step_button(page, "Check bows")
    expect(here).to_be_in_viewport(ratio=0.99)
    box = here.bounding_box()
    assert box is not None
    # Top line and steps together take a fifth of the height at the most.
    assert box["y"] + box["height"] <= 844 / 5
    # What left the head stands below everything else.
    for name in ("History", "Print and files", "Keys"):
        place = page.get_by_role("button", name=name).bounding_box()
        assert place is not None and place["y"] > 844 / 2, name
    page.get_by_role("link", name=re.compile("^Fails")).click()
    expect(steps.get_by_role("button", name="Level")).to_have_attribute("aria-current", "step")
    expect(steps.get_by_role("button", name="Level")).to_be_in_viewport(ratio=0.99)


def test_a_narrow_screen_has_no_sideways_scroll(page: Page) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    open_house(page, "Upper terrace")
    for step in STEPS[1:]:
        with page.expect_response(re.compile("step=")):
            step_button(page, step).click()
        page.locator("[data-strip]").wait_for()
        page.evaluate("new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))")
        assert page.evaluate("document.documentElement.scrollWidth") <= 390, step
    step_button(page, "Bows").click()
    field(page, "bows.stick_m").fill("20")
    field(page, "bows.stick_m").press("Tab")
    expect(field(page, "bows.stick_m")).to_have_value("20' 0\"")


def test_one_tab_leads_from_a_step_to_its_first_field(page: Page) -> None:
    open_house(page, "Upper terrace")
    for step in ("Bows", "Set out", "Weather"):
        step_button(page, step).press("Enter")
        expect(page.get_by_role("complementary", name=step)).to_be_visible()
        expect(page.locator("aside [data-fields]").first.locator("input, button").first).to_be_visible()
        page.keyboard.press("Tab")
        at = page.evaluate(
            "() => [document.activeElement.closest('aside') !== null,"
            " document.activeElement.dataset.measure ?? document.activeElement.closest('[data-fields]') !== null]"
        )
        assert at[0] and at[1], (step, page.evaluate("document.activeElement.outerHTML"))
        # And back to the step itself.
        page.keyboard.press("Shift+Tab")
        assert page.evaluate("document.activeElement.getAttribute('aria-current')") == "step"


def test_a_new_house_is_typed_into_at_once_and_its_verdict_s_turning_is_said(page: Page) -> None:
    page.get_by_role("button", name="New house in feet").press("Enter")
    expect(page.locator("aside input[data-measure]").first).to_be_focused()
    turned = page.locator("[data-turned]")
    step_button(page, "Inside").click()
    wide = field(page, "inside.bed_m")
    wide.fill("10'")
    # What is only tried turns nothing.
    expect(page.get_by_role("complementary")).to_contain_text("Fails")
    expect(turned).to_have_text("")
    wide.press("Enter")
    expect(turned).to_have_text(re.compile("^Fails now. "))


def test_keys_are_told_where_keys_are_used(page: Page) -> None:
    open_house(page, "Upper terrace")
    told = page.get_by_text("? shows all keys")
    expect(told).to_have_count(0)
    page.keyboard.press("Tab")
    expect(told).to_be_visible()
    page.locator("main").click(position={"x": 5, "y": 5})
    expect(told).to_have_count(0)
    page.keyboard.press("Tab")
    expect(told).to_be_visible()
    page.get_by_role("button", name="Keys").press("Enter")
    page.get_by_role("button", name="Back to the step").press("Enter")
    page.keyboard.press("Tab")
    expect(told).to_have_count(0)
