// SPDX-License-Identifier: GPL-3.0-or-later
// Types to and from files, and a person's own library beside all projects.
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QStandardPaths>

#include "app/asking/file_names.h"
#include "app/asking/text_files.h"
#include "app/materials/types_page.h"
#include "project/edits.h"
#include "project/items.h"
#include "project/json_types.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

static QString types_filter() { return tr("Libraries of types (*.json)"); }

QString personal_types_file() {
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/types.json";
}

void TypesPage::add_types(const std::vector<WallType>& types, const QString& from) {
    std::size_t added = 0;
    WallTypeId first;
    std::vector<WallType> fresh;
    for (WallType t : types) {
        const WallTypeId known = find_type(workspace_.project(), t.key);
        if (known) {
            WallType mine = wall_type(workspace_.project(), known);
            mine.id = {};
            t.id = {};
            if (mine == t) continue;  // has it already
        }
        fresh.push_back(t);
    }
    if (fresh.empty()) return workspace_.tell(tr("The project has all types of %1 already").arg(from));
    workspace_.edit(tr("Add types"), [&](Project& p) {
        for (const WallType& t : fresh) {
            const WallTypeId id = add_wall_type(p, t);
            if (++added == 1) first = id;
        }
    });
    show_type(first);
    workspace_.tell(counted("%n type added from %1", "%n types added from %1", added).arg(from));
}

void TypesPage::read_file() {
    const QString name = asking_.open_file(tr("Read a library of types"), types_filter());
    if (name.isEmpty()) return;
    const QString said = QFileInfo(name).fileName();
    try {
        add_types(types_from_json(text_in_file(name), said.toStdString()), said);
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void TypesPage::write_file() {
    const QString name =
        ask_where_to_write(asking_, tr("Write a library of types"), "types.json", types_filter(), ".json");
    if (name.isEmpty()) return;
    if (!write_text_file(name, types_to_json(*workspace_.project().wall_types)))
        return workspace_.tell(
            tr("%1 cannot be written: choose another folder").arg(QFileInfo(name).fileName()), true);
    workspace_.tell(
        counted("%n type written to %1", "%n types written to %1", workspace_.project().wall_types->size())
            .arg(QFileInfo(name).fileName()));
}

/// The person's own types; none when there is no file yet. Throws Error for a broken one.
static std::vector<WallType> personal_types() {
    if (!QFile::exists(personal_types_file())) return {};
    return types_from_json(text_in_file(personal_types_file()), personal_types_file().toStdString());
}

void TypesPage::keep_personal() {
    if (!type()) return;
    try {
        auto mine = personal_types();
        std::erase_if(mine, [&](const WallType& t) { return t.key == type()->key; });
        mine.push_back(*type());
        QDir().mkpath(QFileInfo(personal_types_file()).path());
        if (!write_text_file(personal_types_file(), types_to_json(mine)))
            return workspace_.tell(tr("%1 cannot be written").arg(personal_types_file()), true);
        workspace_.tell(
            tr("%1 is kept: your library has %2")
                .arg(QString::fromStdString(type()->name), counted("%n type", "%n types", mine.size())));
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void TypesPage::take_personal() {
    try {
        const auto mine = personal_types();
        if (mine.empty())
            return workspace_.tell(tr("Your own library is empty: keep a type for other projects first"),
                                   true);
        add_types(mine, tr("your own library"));
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

}  // namespace yemvo::app
