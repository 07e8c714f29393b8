// SPDX-License-Identifier: GPL-3.0-or-later
#include "wireless/rates.h"

#include <fstream>
#include <sstream>

#include "core/support.h"
#include "gear/client.h"
#include "wireless/link_budget.h"

using namespace yemvo;
using test::check_value;

namespace {

struct Row {
    Standard standard;
    int width_mhz, streams, mcs;
    double guard_us, rate_mbps;
    bool valid;
};

/// The rows of the table that this program computes; the lowest EHT forms with duplicates are not among them.
std::vector<Row> table() {
    std::ifstream in(yemvo::test::test_data() + "/rates.csv");
    std::string line;
    std::getline(in, line);
    std::vector<Row> rows;
    while (std::getline(in, line)) {
        std::vector<std::string> cell;
        std::stringstream cells(line);
        for (std::string c; std::getline(cells, c, ',');) cell.push_back(c);
        const auto standard = find_standard(cell[0].substr(2));
        if (!standard || cell[4].empty() || std::stoi(cell[4]) > 13) continue;
        rows.push_back({*standard, std::stoi(cell[2]), std::stoi(cell[3]), std::stoi(cell[4]),
                        std::stod(cell[9]), std::stod(cell[11]), cell[12] == "1"});
    }
    return rows;
}

}  // namespace

TEST_CASE("every rate of n, ac, ax and be is the one of the standard's table") {
    const auto rows = table();
    REQUIRE(rows.size() > 3000);
    for (const Row& r : rows) {
        const auto rate = phy_rate_mbps(r.standard, r.width_mhz, r.streams, r.mcs, r.guard_us);
        INFO(standard_name(r.standard) << " " << r.width_mhz << " MHz " << r.streams << " streams MCS "
                                       << r.mcs << " guard " << r.guard_us);
        REQUIRE(rate.has_value() == r.valid);
        if (rate) REQUIRE(*rate == Approx(r.rate_mbps).margin(0.06));
    }
}

TEST_CASE("what a standard does not know has no rate") {
    CHECK_FALSE(phy_rate_mbps(Standard::n, 80, 1, 0, 0.8));
    CHECK_FALSE(phy_rate_mbps(Standard::ac, 80, 1, 10, 0.8));
    CHECK_FALSE(phy_rate_mbps(Standard::ax, 320, 1, 0, 0.8));
    CHECK_FALSE(phy_rate_mbps(Standard::ax, 80, 1, 0, 0.4));
    CHECK_FALSE(phy_rate_mbps(Standard::n, 20, 5, 0, 0.8));
    CHECK_FALSE(find_standard("b"));
}

TEST_CASE("the fastest rates of each standard are those worked out independently") {
    const auto rate = [](Standard s, int width, int mcs, int streams, double guard) {
        return std::round(phy_rate_mbps(s, width, streams, mcs, guard).value() * 10) / 10;
    };
    using enum Standard;
    CHECK(rate(n, 20, 7, 1, 0.4) == check_value("r.1"));
    CHECK(rate(n, 40, 7, 2, 0.4) == check_value("r.2"));
    CHECK(rate(ac, 80, 9, 2, 0.4) == check_value("r.3"));
    CHECK(rate(ax, 20, 0, 1, 3.2) == check_value("r.4"));
    CHECK(rate(ax, 80, 11, 2, 0.8) == check_value("r.5"));
    CHECK(rate(ax, 160, 11, 8, 0.8) == check_value("r.6"));
    CHECK(rate(be, 320, 13, 2, 0.8) == check_value("r.7"));
    CHECK(rate(be, 320, 13, 8, 0.8) == check_value("r.8"));
}

TEST_CASE("a link falls back to what both ends know, as worked out independently") {
    struct Ends {
        const char* check;
        const char *access_point, *client;
        int ap_mhz, client_mhz, ap_streams, client_streams;
        BandId band;
        double snr_20_db;
    };
    for (const Ends& e : {Ends{"fb.1", "be", "ax", 160, 80, 4, 2, band_5, 42},
                          Ends{"fb.2", "be", "ac", 160, 80, 4, 2, band_5, 30},
                          Ends{"fb.3", "ax", "ac", 40, 80, 4, 1, band_24, 35}}) {
        INFO(e.check);
        const RadioAbility radio{find_standard(e.access_point), e.band, e.ap_streams};
        ClientProfile client;
        client.standard = e.client;
        client.streams = e.client_streams;
        client.widest_mhz = {{e.band, e.client_mhz}};
        const Channel channel = channels(e.band, e.ap_mhz).front();
        const RateLadder ladder(radio, channel, client, 7);
        CHECK(ladder.rate_mbps(noise_dbm(20, 7) + e.snr_20_db) == Approx(check_value(e.check)).margin(0.06));
    }
    // nothing in common: 802.11ac does not know 6 GHz
    const RadioAbility radio{Standard::be, band_6, 2};
    ClientProfile old;
    old.standard = "ac";
    old.widest_mhz = {{band_6, 80}};
    CHECK(RateLadder(radio, channels(band_6, 80).front(), old, 7).rate_mbps(-30) == 0);
}

TEST_CASE("a rate ladder never falls as the signal rises, and a narrower client never gains") {
    for (const char* standard : {"n", "ac", "ax", "be"}) {
        const RadioAbility radio{Standard::be, band_5, 4};
        ClientProfile client;
        client.standard = standard;
        client.streams = 2;
        const auto at = [&](int width, double dbm) {
            client.widest_mhz = {{band_5, width}};
            return RateLadder(radio, {band_5, 50, 160}, client, 7).rate_mbps(dbm);
        };
        double last = 0;
        for (double dbm = -100; dbm < -20; dbm += 0.5) {
            const double now = at(80, dbm);
            CHECK(now >= last);
            CHECK(at(20, dbm) <= now);
            last = now;
        }
        CHECK(last > 0);
        CHECK(at(80, -100) == 0);
    }
}

TEST_CASE("the way back from a rate: every form that shows it, and none that does not") {
    const auto all = forms_with_rate(1201);  // 1200.98, shown in whole Mbit/s
    REQUIRE_FALSE(all.empty());
    bool found = false;
    for (const RateForm& f : all) {
        CHECK(phy_rate_mbps(f.standard, f.width_mhz, f.streams, f.mcs, f.guard_us).value() == f.mbps);
        CHECK(std::abs(f.mbps - 1201) <= 1);
        found = found || (f.standard == Standard::ax && f.width_mhz == 80 && f.streams == 2 && f.mcs == 11);
    }
    CHECK(found);
    CHECK(forms_with_rate(1200).size() >= 1);  // cut off
    CHECK(forms_with_rate(6.5).front().width_mhz == 20);
    for (double none : {0.0, -1.0, 1.5, 1e9, std::nan("")}) CHECK(forms_with_rate(none).empty());
}
