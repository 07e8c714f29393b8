// SPDX-License-Identifier: GPL-3.0-or-later
// What Proof and the table of demand show is what the command line prints for the same file, figure by
// figure.
#include <QTableWidget>
#include <QTemporaryDir>
#include <algorithm>
#include <array>

#include "app/demand/demand_page.h"
#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/results.h"
#include "app/proof/proof_table.h"
#include "cli/run.h"
#include "coverage/verdict.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

/// The table shows a share in percent with one digit, rounded down; it is printed with four digits, of which
/// the last may fall to either side of a tenth.
bool same_share(const QString& shown, double printed) {
    const double percent = number_in(shown);
    return std::ranges::any_of(std::array{printed, printed - 5e-5, printed + 5e-5}, [&](double share) {
        return std::abs(std::floor(share * 1000 + 1e-6) / 10 - percent) < 1e-6;
    });
}

struct SavedDemo {
    QTemporaryDir folder;
    std::string file = folder.filePath("demo.yemvo").toStdString();
    Driver d;
    SavedDemo() {
        d.window.open_demo();
        REQUIRE(d.settle());
        save_project(d.project(), file);
    }
};

}  // namespace

TEST_CASE("each figure of Proof is what verdict prints") {
    SavedDemo s;
    Driver& d = s.d;
    d.w().activity().set_step(Step::proof);
    REQUIRE(d.settle());
    auto* table = d.window.findChild<ProofTable*>();
    REQUIRE(table);
    const auto printed = yemvo::test::run({"verdict", s.file, "--json"}).value();
    const Verdict& v = *d.w().results().verdict();
    REQUIRE(printed["requirements"].size() == v.requirements.size());
    int figures = 0, of_capacity = 0;
    for (std::size_t i = 0; i < v.requirements.size(); ++i) {
        const auto& p = printed["requirements"][i];
        const Requirement& r = v.requirements[i].requirement;
        const int row = table->row_of(r.id);
        REQUIRE(row >= 0);
        CHECK(p["lens"] == r.lens);
        CHECK(p["met"] == v.requirements[i].met());
        if (p["asked"] == 0.0) continue;
        for (const auto& by : p["by_band"].items()) {
            const BandId id = *find_band(by.key());
            INFO(r.lens << " in " << by.key() << " GHz: " << by.value());
            CHECK(same_share(table->figure_text(row, 0, id), by.value()));
            ++figures;
            of_capacity += p["counts"] != "area";
        }
        for (const auto& f : p["floors"])
            for (int place = 1; place < table->place_count(); ++place) {
                if (table->place_name(place) != QString::fromStdString(f["name"])) continue;
                for (const auto& by : f["by_band"].items()) {
                    INFO(r.lens << " on " << f["name"] << " in " << by.key() << " GHz: " << by.value());
                    CHECK(same_share(table->figure_text(row, place, *find_band(by.key())), by.value()));
                    ++figures;
                }
            }
    }
    CHECK(figures > 80);
    CHECK(of_capacity >= 7);
    CHECK(printed["met"] == v.met());
    REQUIRE(v.uplink);
    CHECK(printed["uplink"]["down_share"] == Approx(v.uplink->down_share).margin(1e-4));
    CHECK(table->text().contains("Uplink in use"));
}

TEST_CASE("each figure of the table of demand is what capacity prints") {
    SavedDemo s;
    Driver& d = s.d;
    d.w().activity().set_step(Step::demand);
    const auto printed = yemvo::test::run({"capacity", s.file, "--json"}).value();
    REQUIRE(printed["hours"].size() == 2);
    QTableWidget* table = d.window.demand().table();
    for (int hour = 0; hour < 2; ++hour) {
        d.window.demand().hour()->setCurrentIndex(hour);
        emit d.window.demand().hour()->activated(hour);
        REQUIRE(d.settle());
        int rows = 0;
        for (const auto& z : printed["hours"][static_cast<std::size_t>(hour)]["zones"])
            for (int r = 0; r < table->rowCount(); ++r) {
                const std::string name = z.contains("zone") ? z["zone"] : z["devices"];
                if (table->item(r, 0)->text() != QString::fromStdString(name)) continue;
                INFO(name);
                CHECK(number_in(table->item(r, 7)->text()) ==
                      Approx(z["mbps_a_client"].get<double>()).margin(0.0051));
                CHECK(number_in(table->item(r, 8)->text().section(' ', 0, 0)) ==
                      Approx(100 * z["satisfied_share"].get<double>()).margin(0.1));
                if (z["clients"] >= 1)
                    CHECK(number_in(table->item(r, 4)->text()) ==
                          Approx(z["clients"].get<double>()).margin(0.56));
                if (z["asked_down_mbps"] >= 1)
                    CHECK(number_in(table->item(r, 5)->text()) ==
                          Approx(z["asked_down_mbps"].get<double>()).margin(0.51));
                ++rows;
            }
        CHECK(rows >= (hour == 0 ? 12 : 5));
    }
}
