// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/air_share.h"

using namespace yemvo;

TEST_CASE("radios on one channel take turns, on neighbouring ones they do not meet") {
    const Channel c36{band_5, 36, 20}, c40{band_5, 40, 20}, c38{band_5, 38, 40}, c42{band_5, 42, 80};
    CHECK(sharing(c36, 36, c36, 36) == Sharing::shared);
    CHECK(air_share(c36, 36, c36, 36) == 1);
    CHECK(sharing(c36, 36, c40, 40) == Sharing::apart);
    CHECK(air_share(c36, 36, c40, 40) == 0);
    // a wide one is heard whole by a narrow one in it, and goes without what the narrow one takes
    CHECK(air_share(c36, 36, c42, 44) == 1);
    CHECK(sharing(c42, 44, c36, 36) == Sharing::narrowed);
    CHECK(air_share(c42, 44, c36, 36) == Approx(0.5));
    CHECK(air_share(c42, 40, c36, 36) == Approx(0.75));
    CHECK(air_share(c42, 36, c36, 36) == 1);
    CHECK(air_share(c38, 36, c40, 40) == Approx(0.5));
    CHECK(air_share(c36, 36, {band_6, 37, 20}, 37) == 0);
}

TEST_CASE("odd channels at 2.4 GHz overlap partly") {
    const auto at = [](int n) { return Channel{band_24, n, 20}; };
    CHECK(sharing(at(1), 1, at(1), 1) == Sharing::shared);
    CHECK(sharing(at(1), 1, at(3), 3) == Sharing::partly);
    CHECK(sharing(at(6), 6, at(1), 1) == Sharing::apart);
    // by the overlap of the masks (docs/physics.md)
    CHECK(air_share(at(1), 1, at(2), 2) == Approx(0.757).margin(0.002));
    CHECK(air_share(at(1), 1, at(3), 3) == Approx(0.504).margin(0.002));
    CHECK(air_share(at(1), 1, at(4), 4) == Approx(0.250).margin(0.002));
    CHECK(air_share(at(1), 1, at(6), 6) == 0);
}

TEST_CASE("whether a radio is heard is not hung on a tenth of a dB") {
    CHECK(heard_share(0) == Approx(0.5));
    CHECK(heard_share(5) == 1);
    CHECK(heard_share(20) == 1);
    CHECK(heard_share(-5) == 0);
    CHECK(heard_share(2.5) == Approx(0.75));
}
