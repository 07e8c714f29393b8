#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Opens the plan as one page in a real browser (Chromium, headless), drives it, and holds what it shows against
yemvo-cli.

  plan_in_browser.py YEMVO-CLI [PICTURE.png]
"""
import json
import os
import subprocess
import sys
import tempfile
import time

from selenium import webdriver
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.support.ui import WebDriverWait

cli = sys.argv[1]
faults = []


def check(what, holds, *found):
    if not holds:
        faults.append(f"{what}: {found}")
        print(f"FAILED {what}: {found}", file=sys.stderr)


def run(*words):
    return subprocess.run([cli, *words], check=True, capture_output=True, text=True).stdout


def browser():
    options = Options()
    for word in ["--headless=new", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage", "--window-size=1280,800", "--hide-scrollbars"]:
        options.add_argument(word)
    options.binary_location = "/usr/bin/chromium"
    options.set_capability("goog:loggingPrefs", {"performance": "ALL", "browser": "ALL"})
    return webdriver.Chrome(options=options, service=Service("/usr/bin/chromedriver"))


def drawn(driver, text):
    WebDriverWait(driver, 10).until(lambda d: d.execute_script("return document.body.dataset.drawn || ''") == text)


def press(driver, group, key):
    driver.execute_script(
        "[...document.querySelectorAll(`#${arguments[0]} button`)].find(b => b.dataset.key == arguments[1]).click()",
        group, str(key))


def number(text):
    return float(text.replace("\u2212", "-"))


with tempfile.TemporaryDirectory() as folder:
    project, page = os.path.join(folder, "demo.yemvo"), os.path.join(folder, "plan.html")
    run("demo", "--out", project)
    run("export", project, "--out", page, "--kind", "html")
    size = os.path.getsize(page)
    check("the demo's five floors take less than 5 MB", size < 5_000_000, size)
    driver = browser()
    try:
        driver.get("file://" + page)
        drawn(driver, "1/signal/5")
        timing = driver.execute_script(
            "const t = performance.getEntriesByType('paint').find(p => p.name === 'first-contentful-paint');"
            "return t ? t.startTime : -1")
        check("something is seen", timing >= 0, timing)
        floors = [b.text for b in driver.find_elements(By.CSS_SELECTOR, "#floors button")]
        check("every floor has its button", floors == ["Basement", "Ground floor", "First floor", "Second floor", "Garden"], floors)
        # its exit code tells that not all of them are met
        requirements = json.loads(subprocess.run([cli, "verdict", project, "--json"], capture_output=True, text=True).stdout)
        shown = driver.find_element(By.ID, "verdict").text
        for r in requirements["requirements"]:
            if r["share_met"] is None:
                continue
            share = f"{int(r['share_met'] * 1000 + 1e-6) / 10:.1f} %"
            check("the verdict is the command line's", share in shown, share)

        # another floor, lens and band; then values at places where a probe traces the links anew
        press(driver, "floors", 2)
        drawn(driver, "2/signal/5")
        values = 0
        for lens, unit in [("signal", "dBm"), ("snr", "dB")]:
            driver.execute_script("const s = document.getElementById('lens'); s.value = arguments[0]; s.onchange()", lens)
            for band in ["2.4", "5", "6"]:
                press(driver, "bands", band)
                drawn(driver, f"2/{lens}/{band}")
                for x, y in [(4.25, 20.25), (20.25, 30.25), (50.25, 12.25), (30.25, 3.25), (55.25, 31.25)]:
                    probe = json.loads(run("probe", project, "--floor", "First floor", "--at", f"{x},{y}", "--json"))
                    of_band = [link for link in probe["links"] if link["band_ghz"] == float(band)]
                    best = max(of_band, key=lambda link: link["received_dbm"])
                    expected = best["received_dbm"] if lens == "signal" else best["snr_db"]
                    at = driver.execute_script("return shown.px(arguments[0], arguments[1])", x, y)
                    canvas = driver.find_element(By.TAG_NAME, "canvas")
                    half_w, half_h = canvas.size["width"] / 2, canvas.size["height"] / 2
                    ActionChains(driver).move_to_element_with_offset(
                        canvas, int(round(at[0] - half_w)), int(round(at[1] - half_h))).perform()
                    tip = driver.find_element(By.ID, "value").text
                    read = number(tip.split()[0])
                    check(f"{lens} at {band} GHz, {x}, {y}", abs(read - expected) <= 0.11 and unit in tip, read, expected)
                    values += 1
        print(f"{values} values read at the pointer are those of the probe")

        # find one, zoom, pan
        find = driver.find_element(By.ID, "find")
        find.send_keys("LK-029")
        entries = driver.find_elements(By.CSS_SELECTOR, "#points li")
        check("one access point is found", len(entries) == 1, len(entries))
        entries[0].click()
        about = driver.find_element(By.ID, "about")
        check("it is told about", "LK-029" in about.text and "GHz" in about.text, about.text)
        check("its floor is shown", driver.execute_script("return shown.view.floor") == 4)
        before = driver.execute_script("return shown.view.k")
        canvas = driver.find_element(By.TAG_NAME, "canvas")
        driver.execute_script("arguments[0].dispatchEvent(new WheelEvent('wheel', {deltaY: -300, clientX: 700, clientY: 400}))",
                              canvas)
        check("the wheel zooms", driver.execute_script("return shown.view.k") > before * 1.5)
        was = driver.execute_script("return shown.view.x")
        ActionChains(driver).move_to_element(canvas).click_and_hold().move_by_offset(60, 20).release().perform()
        check("dragging pans", abs(driver.execute_script("return shown.view.x") - was - 60) < 2)

        requests = []
        for entry in driver.get_log("performance"):
            message = json.loads(entry["message"])["message"]
            if message["method"] == "Network.requestWillBeSent":
                requests.append(message["params"]["request"]["url"])
        outside = [u for u in requests if not u.startswith(("file://" + page, "data:", "blob:"))]
        check("nothing leaves the file", not outside, outside)
        errors = [e for e in driver.get_log("browser") if e["level"] == "SEVERE"]
        check("the browser has nothing to complain about", not errors, errors)
        if len(sys.argv) > 2:
            find.clear()
            find.send_keys(" ")
            driver.execute_script("shown.view.chosen = null; "
                                  "for (const id of ['about', 'value']) document.getElementById(id).style.display = 'none'")
            press(driver, "floors", 2)
            driver.execute_script("const s = document.getElementById('lens'); s.value = 'signal'; s.onchange()")
            press(driver, "bands", "5")
            drawn(driver, "2/signal/5")
            time.sleep(0.3)
            driver.save_screenshot(sys.argv[2])
        print(f"{size} bytes, first seen after {timing:.0f} ms, {len(requests)} requests, none outside")
    finally:
        driver.quit()

sys.exit(1 if faults else 0)
