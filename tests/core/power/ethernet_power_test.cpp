// SPDX-License-Identifier: GPL-3.0-or-later
#include "power/ethernet_power.h"

#include "core/support.h"

using namespace yemvo;
using namespace yemvo::test;

TEST_CASE("a channel of 100 m leaves of each class what the standard says") {
    const auto left = [](int number) {
        return device_w(power_classes()[static_cast<std::size_t>(number - 1)], 100);
    };
    CHECK(left(3) == Approx(12.95).margin(0.005));
    CHECK(left(4) == Approx(25.5).margin(0.005));
    CHECK(left(6) == Approx(51).margin(0.005));
    CHECK(left(8) == Approx(71.3).margin(0.05));
    for (const PowerClass& c : power_classes()) {
        CHECK(device_w(c, 100) == Approx(c.device_w).margin(0.07));
        CHECK(device_w(c, 0) == c.port_w);
    }
}

TEST_CASE("the weakest class that is enough feeds a device") {
    CHECK(class_that_feeds(12.95)->number == 3);
    CHECK(class_that_feeds(12.96)->number == 4);
    CHECK(class_that_feeds(38)->number == 5);
    CHECK(class_that_feeds(71.3)->number == 8);
    CHECK_FALSE(class_that_feeds(71.4));
}
