// SPDX-License-Identifier: GPL-3.0-or-later
// Demand through the window: from an empty zone to what is carried.
#include <QTableView>
#include <QTableWidget>
#include <map>

#include "app/demand/demand_page.h"
#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/tool_id.h"
#include "app/picture.h"
#include "app/proof/proof_table.h"
#include "app/proof/worst_cards.h"
#include "app/schedule/radio_schedule.h"
#include "capacity/site_capacity.h"
#include "project/demand_edits.h"
#include "project/edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

const SiteCapacity* wait_for_capacity(Driver& d) {
    REQUIRE(d.settle());
    return d.w().results().find<SiteCapacity>();
}

QString cell(QTableWidget* table, int row, int column) { return table->item(row, column)->text(); }

int row_of(QTableWidget* table, const QString& name) {
    for (int r = 0; r < table->rowCount(); ++r)
        if (cell(table, r, 0) == name) return r;
    return -1;
}

}  // namespace

TEST_CASE("the demo's demand is told by zone, and what of it is carried") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::demand);
    REQUIRE(wait_for_capacity(d));
    picture(d.window, "demand");
    QTableWidget* table = d.window.demand().table();
    REQUIRE(table->isVisible());
    const int hall = row_of(table, "Auditorium");
    REQUIRE(hall >= 0);
    CHECK(number_in(cell(table, hall, 2)) == Approx(29).margin(1));
    QTest::mouseClick(table->viewport(), Qt::LeftButton, {},
                      table->visualItemRect(table->item(hall, 0)).center());
    REQUIRE(d.w().selection().items().size() == 1);
    picture(d.window, "demand_zone");
    d.window.demand().hour()->setCurrentIndex(1);
    emit d.window.demand().hour()->activated(1);
    REQUIRE(wait_for_capacity(d));
    picture(d.window, "demand_evening");
    CHECK(number_in(cell(table, row_of(table, "Auditorium"), 2)) == Approx(285).margin(1));
}

TEST_CASE("from an empty zone to a verdict that counts clients") {
    Driver d;
    Project plain = yemvo::test::one_floor();
    const FloorId floor = yemvo::test::floor_at(plain, 0);
    yemvo::test::wall(plain, "concrete-200", {{0, 0}, {24, 0}, {24, 12}, {0, 12}, {0, 0}});
    plain.requirement_sets = {};
    const ZoneId hall =
        add_zone(plain, floor, {{}, "Hall", ZoneKind::served, {{0, 0}, {24, 0}, {24, 12}, {0, 12}}});
    d.window.open_project(plain, {}, {});
    d.w().activity().set_step(Step::demand);
    REQUIRE(d.settle());
    CHECK(d.w().results().find<SiteCapacity>() == nullptr);
    CHECK(d.window.demand().table()->rowCount() == 0);

    // who is there
    d.plan().fit();
    d.click({12, 6});
    REQUIRE(d.w().selection().items().size() == 1);
    d.pick("zoneUse", "Classroom, study");
    REQUIRE(find_zone(d.floor(), hall)->demand);
    d.pick("demandBy", "Seats");
    d.fill("demandAmount", "120");
    d.fill("demandTaken", "50");
    d.fill("demandDevices", "2");
    d.fill("demandConnected", "100");
    CHECK(clients(*find_zone(d.floor(), hall)->demand, 288, "busy") == Approx(120));
    // a share of a mix, and one that takes a part out of it
    d.fill("applicationShare2", "0");
    CHECK(find_zone(d.floor(), hall)->demand->applications.size() == 2);
    d.fill("demandTaken", "150");
    CHECK(find_zone(d.floor(), hall)->demand->taken == 0.5);
    CHECK(d.find<QLineEdit>("demandTaken")->toolTip().contains("100"));

    // nobody serves them yet
    REQUIRE(wait_for_capacity(d));
    QTableWidget* table = d.window.demand().table();
    REQUIRE(table->rowCount() == 2);
    CHECK(cell(table, 1, 0) == "Hall");
    CHECK(number_in(cell(table, 1, 4)) == 120);
    CHECK(number_in(cell(table, 1, 8).section(' ', 0, 0)) == 0);

    // one access point, then what is required
    d.w().edit("Place", [&](Project& p) { add_access_point(p, floor, (*p.models)[2].id, {12, 6}); });
    REQUIRE(wait_for_capacity(d));
    CHECK(number_in(cell(table, 1, 8).section(' ', 0, 0)) > 50);
    d.w().edit("Require", [&](Project& p) {
        RequirementSet set{{}, "Busy", true, {}, {}, {{{}, "radio_clients", all_bands(), 40, 1}}};
        add_requirement_set(p, set);
    });
    REQUIRE(wait_for_capacity(d));
    const Verdict& v = *d.w().results().verdict();
    REQUIRE(v.requirements.size() == 1);
    CHECK(v.requirements[0].asks());
    CHECK_FALSE(v.met());

    // one undo each
    d.menu("edit.undo");
    d.menu("edit.undo");
    CHECK(placed_access_points(d.project()).empty());
}

TEST_CASE("busy hours are added, looked at in turn and taken away, and uplinks are judged") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::demand);
    REQUIRE(wait_for_capacity(d));
    d.window.asking().name = [](const QString&, const QString&) { return QString("Night"); };
    d.menu("demand.new-hour");
    CHECK(d.project().demand.hour == "night");
    CHECK(d.window.demand().hour()->currentText() == "Night");
    d.menu("demand.next-hour");
    CHECK(d.project().demand.hour == "weekday");
    d.menu("demand.next-hour");
    d.menu("demand.next-hour");
    d.menu("demand.remove-hour");
    CHECK(d.project().demand.hours.size() == 2);

    d.menu("demand.next-hour");
    REQUIRE(wait_for_capacity(d));
    CHECK(d.find<QLabel>("uplinkVerdict")->text() == "Wide enough");
    d.fill("uplinkUp", "200");
    CHECK(d.find<QLabel>("uplinkVerdict")->text() == "The circuit is too narrow");
    d.menu("edit.undo");
    CHECK(d.find<QLabel>("uplinkVerdict")->text() == "Wide enough");
}

TEST_CASE("an access point tells who is on it at the busy hour, and which networks it carries") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::placement);
    REQUIRE(wait_for_capacity(d));
    d.w().edit("Evening", [](Project& p) { p.demand.hour = "evening"; });
    REQUIRE(wait_for_capacity(d));
    const AccessPoint ap = access_points(d.project(), d.w().floor_id())[5];
    d.w().selection().select_alone({Item{Item::Kind::access_point, ap.id.value}});
    const HourCapacity& hour = *d.w().results().find<SiteCapacity>()->find("evening");
    const RadioCapacity& five = *hour.find(ap.id, 1);
    CHECK(d.find<QLabel>("apBusy1")->text().startsWith(render::figure(five.clients) + " clients"));
    d.menu("demand.clients");
    picture(d.window, "placement_clients");
    auto* guests = d.find<QAbstractButton>("apNetworkguests");
    CHECK(guests->isChecked());
    guests->click();
    CHECK(find_access_point(d.project(), d.w().floor_id(), ap.id)->radios[1].without ==
          std::vector<std::string>{"guests"});
    REQUIRE(wait_for_capacity(d));
    CHECK(d.w().results().find<SiteCapacity>()->find("evening")->find(ap.id, 1)->clients < five.clients);
    d.menu("demand.clients");
}

TEST_CASE("lenses of capacity show the busy hour, and proof counts clients and radios") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::placement);
    REQUIRE(wait_for_capacity(d));
    d.w().edit("Evening", [](Project& p) { p.demand.hour = "evening"; });
    d.w().shown().look_through(LensId::air_used);
    REQUIRE(wait_for_capacity(d));
    picture(d.window, "lens_air");
    const float in_hall = d.map_at({52, 26});
    CHECK(in_hall > 20);
    CHECK(in_hall <= 100);
    d.w().activity().set_step(Step::proof);
    REQUIRE(wait_for_capacity(d));
    picture(d.window, "proof_capacity");

    // a figure leads to its busy hour, its lens and its place
    d.w().edit("Weekday", [](Project& p) { p.demand.hour = "weekday"; });
    REQUIRE(wait_for_capacity(d));
    auto* table = d.window.findChild<ProofTable*>();
    REQUIRE(table);
    int row = -1;
    for (const RequirementResult& r : d.w().results().verdict()->requirements)
        if (r.requirement.lens == "radio_clients") row = table->row_of(r.requirement.id);
    REQUIRE(row >= 0);
    QTest::mouseClick(table, Qt::LeftButton, {}, table->figure_rect(row, 0, band_5).center());
    CHECK(d.project().demand.hour == "evening");
    CHECK(d.w().shown().map().lens == LensId::radio_clients);
    CHECK(d.floor().name == "Ground floor");
}

TEST_CASE("the clients that miss what is required stand among the worst places; a click goes there") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::proof);
    d.window.resize(1280, 1100);
    auto* cards = d.window.findChild<WorstCards*>();
    REQUIRE(cards);
    // what came in while another step was in view is there when this one is
    d.w().activity().set_step(Step::placement);
    REQUIRE(wait_for_capacity(d));
    d.w().activity().set_step(Step::proof);
    turn_of_the_loop();
    REQUIRE(cards->isVisible());
    picture(d.window, "proof_cards");
    int of_clients = -1, of_area = -1;
    for (int i = 0; i < cards->count(); ++i)
        (cards->words(i)[2].contains("clients, access point") ? of_clients : of_area) = i;
    REQUIRE(of_clients >= 0);
    CHECK(of_area >= 0);
    const QStringList words = cards->words(of_clients);
    CHECK(words[0].startsWith("Auditorium"));
    CHECK(words[1].startsWith("Satisfied clients"));
    CHECK(number_in(words[2].section(' ', 0, 0)) > 5);
    CHECK(words[3].startsWith("worst: "));
    CHECK(words[3].endsWith(" dBm"));
    CHECK(d.project().demand.hour == "weekday");
    QTest::mouseClick(cards, Qt::LeftButton, {}, cards->card_rect(of_clients).center());
    CHECK(d.project().demand.hour == "evening");
    CHECK(d.w().shown().map().lens == LensId::satisfied);
    CHECK(d.floor().name == "Ground floor");
    CHECK(d.w().in_view().marked_place());
}

TEST_CASE("a set of requirements is counted at the busy hour that is chosen for it") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::proof);
    REQUIRE(wait_for_capacity(d));
    RequirementSetId busy;
    for (const RequirementSet& set : *d.project().requirement_sets)
        for (const Requirement& r : set.requirements)
            if (r.lens == "satisfied") busy = set.id;
    const QByteArray name = "setHour" + QByteArray::number(busy.value);
    const auto result = [&] {
        for (const RequirementResult& r : d.w().results().verdict()->requirements)
            if (r.requirement.lens == "satisfied") return r;
        throw std::runtime_error("not judged");
    };
    CHECK(result().site.hour == "evening");
    CHECK_FALSE(result().met());
    d.pick(name.constData(), "Weekday, 3 pm");
    REQUIRE(wait_for_capacity(d));
    CHECK(result().site.hour == "weekday");
    CHECK(result().met());
    // gone with its busy hour, back with undo
    d.w().edit("Remove", [](Project& p) { remove_busy_hour(p, "weekday"); });
    CHECK(find_requirement_set(d.project(), busy)->hour.empty());
    d.menu("edit.undo");
    CHECK(find_requirement_set(d.project(), busy)->hour == "weekday");
}

TEST_CASE("the radio schedule tells clients, air and headroom of the busy hour in view") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::spectrum);
    REQUIRE(wait_for_capacity(d));
    auto* table = d.find<QTableView>("scheduleTable");
    const auto told = [&](int column) {
        double sum = 0;
        for (int r = 0; r < table->model()->rowCount(); ++r) {
            const QString text = table->model()->index(r, column).data().toString();
            if (text != "overfull" && !text.isEmpty()) sum += number_in(text);
        }
        return sum;
    };
    CHECK(told(RadioModelTable::clients) == Approx(clients_at(d.project(), "weekday")).margin(12));
    d.w().edit("Evening", [](Project& p) { p.demand.hour = "evening"; });
    REQUIRE(wait_for_capacity(d));
    picture(d.window, "schedule_loads");
    const HourCapacity& evening = *d.w().results().find<SiteCapacity>()->find("evening");
    int overfull = 0;
    for (int r = 0; r < table->model()->rowCount(); ++r)
        overfull += table->model()->index(r, RadioModelTable::headroom).data().toString() == "overfull";
    CHECK(overfull ==
          std::ranges::count_if(evening.radios, [](const RadioCapacity& r) { return r.headroom < 0; }));
    CHECK(overfull > 0);
    // the fullest first
    table->sortByColumn(RadioModelTable::use, Qt::DescendingOrder);
    double most = 0;
    for (const RadioCapacity& r : evening.radios) most = std::max(most, 100 * r.use);
    CHECK(number_in(table->model()->index(0, RadioModelTable::use).data().toString()) ==
          Approx(most).margin(0.51));
    CHECK_FALSE(table->model()->flags(table->model()->index(0, RadioModelTable::use)) & Qt::ItemIsEditable);
}

TEST_CASE("the demand of several zones is told at once, on every floor, as one edit") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::demand);
    REQUIRE(wait_for_capacity(d));
    std::map<FloorId, std::vector<Item>> chosen;
    for (const Floor* f : all_floors(d.project()))
        for (const Zone& z : *f->zones)
            if (z.name.find("ffice") != std::string::npos)
                chosen[f->id].push_back({ItemKind::zone, z.id.value});
    REQUIRE(chosen.size() == 2);
    d.w().selection().select_everywhere(chosen);
    turn_of_the_loop();
    picture(d.window, "several_zones");
    const auto each = [&](auto check) {
        for (const auto& [at, items] : chosen)
            for (const Item& i : items) check(*find_zone(*find_floor(d.project(), at), ZoneId{i.id}));
    };
    CHECK(d.find<QLineEdit>("severalDevices")->text() == "2.00");
    CHECK(d.find<QLineEdit>("severalHour1")->text().isEmpty());  // they differ
    d.fill("severalDevices", "2.5");
    each([](const Zone& z) { CHECK(z.demand->devices == 2.5); });
    d.fill("severalHour1", "60");
    each([](const Zone& z) { CHECK(z.demand->presence_at("evening") == 0.6); });
    d.fill("severalGrowth", "-500");
    each([](const Zone& z) { CHECK(z.demand->growth == 0); });
    d.pick("severalUse", "Meeting room");
    each([](const Zone& z) { CHECK(z.demand->amount == 0.4); });
    d.menu("edit.undo");
    each([](const Zone& z) { CHECK(z.demand->devices == 2.5); });
    d.pick("severalNetwork", "Any");
    each([](const Zone& z) { CHECK(z.demand->network.empty()); });
    d.pick("severalUse", "Nobody");
    each([](const Zone& z) { CHECK_FALSE(z.demand); });
}

TEST_CASE("an access point that is placed has its channels open until one is chosen") {
    Driver d;
    Project plain = yemvo::test::one_floor();
    yemvo::test::wall(plain, "concrete-200", {{0, 0}, {24, 0}, {24, 12}, {0, 12}, {0, 0}});
    d.window.open_project(plain, {}, {});
    d.w().activity().set_step(Step::placement);
    d.plan().fit();
    d.key(Qt::Key_A);
    d.click({12, 6}, Qt::AltModifier);
    const auto radio = [&](std::size_t i) {
        return access_points(d.project(), d.w().floor_id())[0].radios[i];
    };
    REQUIRE(access_points(d.project(), d.w().floor_id()).size() == 1);
    CHECK(radio(1).channel_open);
    d.w().activity().set_tool(ToolId::select);
    d.w().selection().select_alone(
        {{ItemKind::access_point, access_points(d.project(), d.w().floor_id())[0].id.value}});
    turn_of_the_loop();
    auto* channel = d.find<QComboBox>("channelRadio1");
    CHECK(channel->currentText() == QStringLiteral("–"));
    picture(d.window, "open_channels");
    d.pick("channelRadio1", "44");
    CHECK_FALSE(radio(1).channel_open);
    CHECK(radio(1).primary == 44);
    CHECK(channel->currentText() == "44");
    CHECK(radio(0).channel_open);
    // another width leaves it as it is
    d.pick("widthRadio0", "20");
    CHECK(radio(0).channel_open);
    d.pick("channelRadio1", QStringLiteral("–"));
    CHECK(radio(1).channel_open);
    d.menu("edit.undo");
    CHECK_FALSE(radio(1).channel_open);
    // and in the schedule
    auto* model = d.find<QTableView>("scheduleTable")->model();
    const QModelIndex first = model->index(0, RadioModelTable::channel);
    CHECK(first.data().toString() == "open");
    REQUIRE(model->setData(first, "6", Qt::EditRole));
    CHECK(radio(0).primary == 6);
    CHECK_FALSE(radio(0).channel_open);
    REQUIRE(model->setData(first, "open", Qt::EditRole));
    CHECK(radio(0).channel_open);
}

TEST_CASE("what is edited away under the cards of Proof takes nothing else along") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::proof);
    REQUIRE(wait_for_capacity(d));
    auto* cards = d.window.findChild<WorstCards*>();
    REQUIRE(cards->isVisible());
    // the results are still of the project before, with all that goes here
    d.w().edit("Fewer zones", [](Project& p) {
        const Project before = p;
        for (const Floor* f : all_floors(before))
            for (const Zone& z : *f->zones)
                if (z.name != "Foyer") remove_zone(p, f->id, z.id);
    });
    d.w().edit("No requirements", [](Project& p) {
        for (const RequirementSet& set : std::vector<RequirementSet>(*p.requirement_sets))
            remove_requirement_set(p, set.id);
    });
    CHECK(cards->count() == 0);
    d.menu("edit.undo");
    d.menu("edit.undo");
    REQUIRE(wait_for_capacity(d));
    CHECK(cards->count() > 0);
}
