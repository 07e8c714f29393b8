// SPDX-License-Identifier: GPL-3.0-or-later
// The size of text is chosen, remembered, and taken up at the next start.
#include "app/look/text_size.h"

#include "app/driver.h"
#include "app/shell/status_line.h"

using namespace yemvo::app;
using namespace yemvo::app::test;

TEST_CASE("a size of text is chosen in the menu, told, and set when the program starts") {
    const bool was_set = qEnvironmentVariableIsSet("QT_SCALE_FACTOR");
    REQUIRE_FALSE(was_set);
    Driver d;
    d.menu("text.125");
    CHECK(text_size_percent() == 125);
    CHECK(d.window.action("text.125")->isChecked());
    apply_text_size();
    CHECK(qEnvironmentVariable("QT_SCALE_FACTOR").toDouble() == 1.25);
    qputenv("QT_SCALE_FACTOR", "2");
    apply_text_size();  // what the surroundings ask for stays
    CHECK(qEnvironmentVariable("QT_SCALE_FACTOR") == "2");
    qunsetenv("QT_SCALE_FACTOR");
    choose_text_size(3);  // nothing that is offered
    CHECK(text_size_percent() == 100);
    d.menu("text.100");
    apply_text_size();
    CHECK_FALSE(qEnvironmentVariableIsSet("QT_SCALE_FACTOR"));
}
