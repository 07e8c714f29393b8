// SPDX-License-Identifier: GPL-3.0-or-later
#include <QCheckBox>
#include <QListWidget>
#include <QTemporaryDir>

#include "app/clients/clients_page.h"
#include "app/driver.h"
#include "app/model/document.h"
#include "app/picture.h"
#include "app/shell/status_line.h"
#include "project/limits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

QListWidgetItem* entry(Driver& d, const QString& name) {
    auto* list = d.find<QListWidget>("keyedList");
    for (int i = 0; i < list->count(); ++i)
        if (list->item(i)->text().trimmed() == name) return list->item(i);
    return nullptr;
}

void choose_entry(Driver& d, const QString& name) {
    auto* list = d.find<QListWidget>("keyedList");
    QListWidgetItem* item = entry(d, name);
    INFO(name.toStdString());
    REQUIRE(item);
    list->scrollToItem(item);
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualItemRect(item).center());
    // and that alone is shown as chosen
    REQUIRE(list->selectedItems().size() == 1);
    CHECK(list->selectedItems()[0]->text().trimmed() == name);
}

}  // namespace

TEST_CASE("client profiles, applications and networks are looked at and changed on one page") {
    Driver d;
    d.window.open_demo();
    d.menu("view.clients");
    REQUIRE(d.window.clients().isVisible());
    picture(d.window, "clients");

    choose_entry(d, "Phone, 2 chains");
    d.fill("clientStreams", "1");
    CHECK(client(d.project(), "phone").streams == 1);
    d.pick("widest6", "not known");
    CHECK(client(d.project(), "phone").widest(band_6) == 0);
    d.fill("power5", "17");
    CHECK(client(d.project(), "phone").power_in_dbm(band_5) == 17);
    CHECK(client(d.project(), "phone").power_in_dbm(band_24) == 13);
    d.pick("refuses40", d.find<QComboBox>("refuses40")->itemText(1));
    CHECK(client(d.project(), "phone").refuses_40_at_24);
    d.fill("clientStreams", "99");
    CHECK(client(d.project(), "phone").streams == 1);  // refused where it was typed

    choose_entry(d, "Video call");
    picture(d.window, "clients_application");
    d.fill("appUp", shown_as("3.5").toUtf8());
    CHECK(find_application(d.project().demand, "call")->up_mbps == 3.5);
    d.fill("appActive", "50");
    CHECK(find_application(d.project().demand, "call")->active == 0.5);

    choose_entry(d, "Larkfield Guests");
    picture(d.window, "clients_network");
    auto* six = d.find<QCheckBox>("networkBand6");
    CHECK_FALSE(six->isChecked());
    QTest::mouseClick(six, Qt::LeftButton, {}, QPoint(8, six->height() / 2));
    CHECK(find_network(d.project().demand, "guests")->bands.contains(band_6));
    d.pick("networkLowest", "24 Mbit/s");
    CHECK(find_network(d.project().demand, "guests")->lowest_rate_mbps == 24);
    d.menu("edit.undo");
    CHECK(find_network(d.project().demand, "guests")->lowest_rate_mbps == 6);
}

TEST_CASE("profiles, applications and networks are made, copied and taken away") {
    Driver d;
    d.window.open_demo();
    d.menu("view.clients");
    const std::size_t clients = d.project().clients->size();
    d.press_button("newClient");
    CHECK(d.project().clients->size() == clients + 1);
    d.fill("clientName", "Till");
    CHECK(entry(d, "Till"));
    d.press_button("copyKeyed");
    CHECK(entry(d, "Till, copy"));
    d.press_button("removeKeyed");
    CHECK_FALSE(entry(d, "Till, copy"));

    choose_entry(d, "Phone, 2 chains");
    QString told;
    QObject::connect(&d.w(), &Workspace::told, [&](const QString& words, bool) { told = words; });
    d.press_button("removeKeyed");
    CHECK(entry(d, "Phone, 2 chains"));
    CHECK(told.contains("still counts on it"));

    choose_entry(d, "Larkfield Guests");
    d.press_button("removeKeyed");
    CHECK_FALSE(find_network(d.project().demand, "guests"));
    d.menu("edit.undo");
    CHECK(find_network(d.project().demand, "guests"));
    QTest::keyClick(&d.window.clients(), Qt::Key_Escape);
    CHECK_FALSE(d.window.clients().isVisible());
}

TEST_CASE("profiles and applications are kept in a library of one's own, and written to files") {
    QFile::remove(personal_clients_file());
    QTemporaryDir folder;
    Driver d;
    d.window.open_demo();
    d.menu("view.clients");
    d.press_button("takeClients");
    CHECK(d.window.status().message().contains("is empty"));
    choose_entry(d, "Phone, 2 chains");
    d.fill("clientStreams", "1");
    d.fill("clientName", "House phone");
    d.press_button("keepClient");
    CHECK(d.window.status().message().contains("House phone is kept"));
    choose_entry(d, "Larkfield Guests");
    d.press_button("keepClient");
    CHECK(d.window.status().message().contains("networks belong to a site"));
    d.window.asking().save_file = [&](const QString&, const QString&, const QString&) {
        return folder.filePath("all");
    };
    d.press_button("writeClients");

    // another project
    d.window.open_project(yemvo::test::one_floor(), {}, {});
    d.menu("view.clients");
    const std::size_t before = d.project().clients->size();
    d.press_button("takeClients");
    REQUIRE(d.project().clients->size() == before + 1);
    CHECK(d.project().clients->back().name == "House phone");
    CHECK(d.project().clients->back().streams == 1);
    CHECK(entry(d, "House phone"));
    d.press_button("takeClients");
    CHECK(d.project().clients->size() == before + 1);
    CHECK(d.window.status().message().contains("already"));
    d.w().document().history().undo();
    CHECK(d.project().clients->size() == before);
    d.window.asking().open_file = [&](const QString&, const QString&) { return folder.filePath("all.json"); };
    d.press_button("readClients");
    CHECK(d.project().clients->size() == before + 1);

    // more than a project may hold is refused, and not told as taken
    d.w().document().history().undo();
    d.w().edit("Many", [](Project& p) {
        ClientProfile c = p.clients->front();
        while (p.clients->size() < limits::applications) {
            c.key = c.name = "c" + std::to_string(p.clients->size());
            p.clients.edit().push_back(c);
        }
    });
    d.press_button("readClients");
    CHECK(d.window.status().message().contains("at most"));
    CHECK(d.project().clients->size() == limits::applications);
    d.w().document().history().undo();
    d.press_button("readClients");
    CHECK(d.project().clients->size() == before + 1);

    // a file that is none changes nothing
    QFile broken(folder.filePath("all.json"));
    REQUIRE(broken.open(QIODevice::WriteOnly));
    broken.write("{\"format\":");
    broken.close();
    d.press_button("readClients");
    CHECK(d.window.status().message().contains("all.json"));
    CHECK(d.project().clients->size() == before + 1);
    QFile::remove(personal_clients_file());
}
