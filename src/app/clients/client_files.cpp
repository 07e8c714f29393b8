// SPDX-License-Identifier: GPL-3.0-or-later
// Client profiles and applications to and from files, and a person's own library beside all projects.
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QStandardPaths>

#include "app/asking/file_names.h"
#include "app/asking/text_files.h"
#include "app/clients/clients_page.h"
#include "project/client_library.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QString clients_filter() { return tr("Libraries of clients (*.json)"); }

/// Empty when there is no file yet. Throws Error for a broken one.
ClientLibrary personal_clients() {
    if (!QFile::exists(personal_clients_file())) return {};
    return clients_from_json(text_in_file(personal_clients_file()), personal_clients_file().toStdString());
}

QString counted_words(const ClientLibrary& library) {
    return counted("%n client profile", "%n client profiles", library.clients.size()) + ", " +
           counted("%n application", "%n applications", library.applications.size());
}

}  // namespace

QString personal_clients_file() {
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/clients.json";
}

void ClientsPage::take_library(const ClientLibrary& library, const QString& from) {
    const ClientLibrary fresh = unknown_of(library, workspace_.project());
    if (fresh.empty()) return workspace_.tell(tr("The project has all of %1 already").arg(from));
    const bool added = change(tr("Add clients and applications"), [&](Project& p) -> Keyed {
        add_library(p, fresh);
        if (!fresh.clients.empty()) return {KeyedKind::client, p.clients->back().key};
        return {KeyedKind::application, p.demand.applications->back().key};
    });
    if (added) workspace_.tell(tr("From %1: %2").arg(from, counted_words(fresh)));
}

void ClientsPage::read_file() {
    const QString name = asking_.open_file(tr("Read clients"), clients_filter());
    if (name.isEmpty()) return;
    const QString said = QFileInfo(name).fileName();
    try {
        take_library(clients_from_json(text_in_file(name), said.toStdString()), said);
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void ClientsPage::write_file() {
    const QString name = ask_where_to_write(asking_, tr("Write a library of clients"), "clients.json",
                                            clients_filter(), ".json");
    if (name.isEmpty()) return;
    const Project& p = workspace_.project();
    const ClientLibrary all{*p.clients, *p.demand.applications};
    const QString said = QFileInfo(name).fileName();
    if (!write_text_file(name, clients_to_json(all)))
        return workspace_.tell(tr("%1 cannot be written: choose another folder").arg(said), true);
    workspace_.tell(tr("Written to %1: %2").arg(said, counted_words(all)));
}

void ClientsPage::keep_personal() {
    try {
        ClientLibrary mine = personal_clients();
        const Project& p = workspace_.project();
        QString name;
        if (shown_.kind == KeyedKind::client) {
            put(mine, client(p, shown_.key));
            name = QString::fromStdString(client(p, shown_.key).name);
        } else if (const Application* a = find_application(p.demand, shown_.key)) {
            put(mine, *a);
            name = QString::fromStdString(a->name);
        } else {
            return workspace_.tell(tr("Choose a client profile or an application: networks belong to a site"),
                                   true);
        }
        QDir().mkpath(QFileInfo(personal_clients_file()).path());
        if (!write_text_file(personal_clients_file(), clients_to_json(mine)))
            return workspace_.tell(tr("%1 cannot be written").arg(personal_clients_file()), true);
        workspace_.tell(tr("%1 is kept: your library has %2").arg(name, counted_words(mine)));
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void ClientsPage::take_personal() {
    try {
        const ClientLibrary mine = personal_clients();
        if (mine.empty())
            return workspace_.tell(
                tr("Your own library is empty: save a profile or an application to it first"), true);
        take_library(mine, tr("your own library"));
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

}  // namespace yemvo::app
