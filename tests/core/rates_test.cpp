#include "wireless/rates.h"

#include <fstream>
#include <sstream>

#include "core/support.h"

using namespace yemvo;

namespace {

struct Row {
    Standard standard;
    int width_mhz, streams, mcs;
    double guard_us, rate_mbps;
    bool valid;
};

/// The rows of the table that this program computes; the lowest EHT forms with duplicates are not among them.
std::vector<Row> table() {
    std::ifstream in(std::string(TEST_DATA) + "/rates.csv");
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
