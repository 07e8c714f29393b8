// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/details/on_site_rows.h"

#include "app/details/photo_rows.h"
#include "app/forms/form.h"
#include "app/model/workspace.h"
#include "base/error.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

void on_site_rows(Form& form, Workspace& w, AccessPointId id) {
    const auto get = [&w, id]() -> const AccessPoint& {
        return *find_access_point(w.project(), w.floor_id(), id);
    };
    const auto change = [&w, id, get](const QString& label, const auto& how) {
        const FloorId at = w.floor_id();
        w.edit(label.arg(get().number), [&](Project& p) {
            AccessPoint ap = *find_access_point(p, at, id);
            how(ap);
            replace_access_point(p, at, ap);
        });
    };
    const QString note_it = tr("Note access point %1 on site");
    form.group(tr("On site"));
    form.words_field(
        form.row(tr("Name")), "apName", [get] { return QString::fromStdString(get().name); },
        [change](const QString& text) {
            change(tr("Name access point %1"),
                   [&](AccessPoint& ap) { ap.name = text.trimmed().toStdString(); });
        });
    QStringList states;
    for (const SiteStateName& s : site_states) states << tr(s.name);
    form.choice(
        form.row(tr("State")), "apState", states, [get] { return static_cast<int>(get().on_site.state); },
        [change, note_it](int i) {
            change(note_it, [&](AccessPoint& ap) { set_state(ap.on_site, static_cast<SiteState>(i)); });
        });
    const auto text = [&](const QString& label, const char* object, std::string OnSite::*field,
                          const auto& read) {
        form.words_field(
            form.row(label), object, [get, field] { return QString::fromStdString(get().on_site.*field); },
            [change, note_it, field, read](const QString& typed) {
                change(note_it,
                       [&](AccessPoint& ap) { ap.on_site.*field = read(typed.trimmed().toStdString()); });
            });
    };
    const auto as_typed = [](const std::string& typed) { return typed; };
    text(tr("Date"), "apDate", &OnSite::date, as_typed);
    text(tr("Serial number"), "apSerial", &OnSite::serial, as_typed);
    text(tr("Address"), "apAddress", &OnSite::address,
         [](const std::string& typed) { return address_text(typed).value_or(typed); });
    text(tr("Note"), "apNote", &OnSite::note, as_typed);
    photo_rows(
        form, w, {ItemKind::access_point, id.value}, [get] { return get().on_site.photo; },
        [change] {
            change(tr("Drop photo of access point %1"), [](AccessPoint& ap) { ap.on_site.photo.clear(); });
        });
}

}  // namespace yemvo::app
