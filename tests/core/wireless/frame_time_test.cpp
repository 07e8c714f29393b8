// SPDX-License-Identifier: GPL-3.0-or-later
#include "wireless/frame_time.h"

using namespace yemvo;
using test::check_value;

TEST_CASE("basic frames last as the standards' formulas say") {
    CHECK(ofdm_frame_us(300, 6, band_5) == check_value("t.1"));
    CHECK(dsss_frame_us(300, 1) == check_value("t.2"));
    CHECK(ofdm_frame_us(14, 24, band_5) == check_value("t.3"));
    CHECK(ofdm_frame_us(20, 24, band_5) == check_value("t.4"));
    CHECK(ofdm_frame_us(56, 24, band_5) == 40);
    CHECK(ofdm_frame_us(56, 6, band_5) == 100);
    CHECK(ofdm_frame_us(300, 6, band_24) == check_value("t.1") + 6);
    CHECK(basic_frame_us(300, 1, band_24) == check_value("t.2"));
    CHECK(sifs_us(band_5) + 2 * slot_us == check_value("t.9"));
    CHECK(sifs_us(band_24) + 3 * slot_us == check_value("t.10"));
    CHECK_THROWS_AS(basic_frame_us(300, 7, band_5), Error);
}

TEST_CASE("PPDUs of ac, ax and be last as the standards' formulas say") {
    CHECK(ppdu_us({Standard::ac, 80, 2, 9, 0.4}, 65535) == Approx(check_value("t.5")));
    CHECK(ppdu_us({Standard::ax, 80, 2, 11, 0.8}, 65535) == Approx(check_value("t.6")));
    CHECK(ppdu_us({Standard::ax, 20, 1, 0, 3.2}, 1560) == Approx(check_value("t.7")));
    CHECK(subframe_bytes(1500) == 1560);
    // the sheet counts subframes of 1560 octets
    CHECK(ppdu_us({Standard::be, 160, 2, 13, 0.8}, 256 * 1560) == Approx(check_value("t.8")));
    CHECK(ppdu_us({Standard::ax, 20, 1, 0, 0.8}, 1560, band_24) ==
          Approx(ppdu_us({Standard::ax, 20, 1, 0, 0.8}, 1560) + 6));
    CHECK_THROWS_AS(ppdu_us({Standard::n, 80, 1, 0, 0.8}, 100), Error);
}

TEST_CASE("as many MPDUs go into a PPDU as its length, its octets and the window let") {
    const auto most = [](int width, int streams, int mcs, Standard s = Standard::ax) {
        return most_mpdus({s, width, streams, mcs, 0.8}, 1500, longest_ampdu_bytes(s), block_ack_window(s));
    };
    CHECK(most(20, 1, 0) == 3);
    CHECK(most(20, 1, 4) == 22);
    CHECK(most(20, 1, 7) == 37);
    CHECK(most(20, 2, 7) == 74);
    CHECK(most(40, 2, 9) == 199);
    CHECK(most(160, 2, 11) == 256);
    CHECK(most(20, 2, 7, Standard::n) == 42);  // 65,535 octets
    CHECK(most_mpdus({Standard::ax, 80, 2, 7, 0.8}, 1500, 65535, 64) == 42);
}

TEST_CASE("beacons take their share of the air, and too many take more than there is") {
    CHECK(100 * beacon_share(300, 1, 4, 3, band_24) == Approx(check_value("n.1")).margin(1e-3));
    CHECK(100 * beacon_share(300, 12, 4, 3, band_24) == Approx(check_value("n.2")).margin(1e-3));
    CHECK(100 * beacon_share(300, 6, 4, 3, band_5, 100, false) == Approx(check_value("n.3")).margin(1e-3));
    CHECK(beacon_share(300, 1, 8, 8, band_24) > 1);
}
