// SPDX-License-Identifier: GPL-3.0-or-later
#include "wireless/link_budget.h"

#include <vector>

#include "core/support.h"

using namespace yemvo;
using test::check_value;

TEST_CASE("free space, noise and sums agree with independently computed values") {
    CHECK(free_space_loss_db(2437, 1) == Approx(check_value("u.5")).margin(0.001));
    CHECK(free_space_loss_db(5500, 10) == Approx(check_value("u.6")).margin(0.001));
    CHECK(free_space_loss_db(6525, 25) == Approx(check_value("u.7")).margin(0.001));
    CHECK(noise_dbm(20, 0) == Approx(check_value("u.8")).margin(0.001));
    CHECK(noise_dbm(80, 7) == Approx(check_value("u.9")).margin(0.001));
    CHECK(noise_dbm(320, 7) == Approx(check_value("u.10")).margin(0.001));
    CHECK(power_sum_dbm(std::vector<double>{-70, -70}) == Approx(check_value("u.3")).margin(0.001));
    CHECK(power_sum_dbm(std::vector<double>{-60, -67, -80}) == Approx(check_value("u.4")).margin(0.001));
    CHECK(dbm_from_milliwatt(100) == Approx(check_value("u.1")));
    CHECK(milliwatt_from_dbm(23) == Approx(check_value("u.2")).margin(0.001));
}

TEST_CASE("distances inside the near field count as half a metre") {
    CHECK(free_space_loss_db(5500, 0) == free_space_loss_db(5500, 0.5));
    CHECK(free_space_loss_db(5500, 0.5) < free_space_loss_db(5500, 0.6));
}

TEST_CASE("the loss between two frequencies does not depend on the distance") {
    for (double d : {1.0, 7.0, 90.0})
        CHECK(free_space_loss_db(5775, d) - free_space_loss_db(5500, d) ==
              Approx(frequency_shift_db(5500, 5775)));
}
