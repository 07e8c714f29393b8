// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/details/busy_hour_rows.h"

#include <QCheckBox>

#include "app/forms/form_parts.h"
#include "app/model/results.h"
#include "capacity/site_capacity.h"
#include "project/edits.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

const HourCapacity* hour_in_view(const Workspace& w) {
    const auto* site = w.results().find<SiteCapacity>();
    return site ? site->find(w.project().demand.hour) : nullptr;
}

QString headroom_words(double headroom) {
    if (headroom < 0) return tr("overfull");
    if (headroom > 9) return tr("headroom > 900 %");
    return tr("headroom %1").arg(render::percent(headroom, 0));
}

QString radio_words(const Workspace& w, const RadioCapacity& r) {
    if (r.clients <= 0) return tr("nobody, %1 in use").arg(render::percent(r.use, 0));
    QString words = tr("%1 clients, %2 in use").arg(render::figure(r.clients), render::percent(r.use, 0));
    words += "\n" + headroom_words(r.headroom);
    words += "\n" + tr("%1 satisfied").arg(render::percent(r.satisfied, 0));
    if (r.fell_back) words += "\n" + tr("Falls back to %1 MHz").arg(r.width_mhz);
    if (r.weakest && r.satisfied < 0.999) {
        const Floor* floor = find_floor(w.project(), r.weakest->floor);
        const Zone* zone = floor ? find_zone(*floor, r.weakest->zone) : nullptr;
        const DeviceRow* row = floor ? find_device_row(*floor, r.weakest->row) : nullptr;
        if ((zone || row) && r.weakest->profile < w.project().clients->size())
            words +=
                "\n" + tr("Weakest: %1 in %2, %3 dBm, %4 Mbit/s down")
                           .arg(QString::fromStdString((*w.project().clients)[r.weakest->profile].name),
                                QString::fromStdString(row ? row->name : zone->name),
                                render::figure(r.weakest->signal_dbm), render::figure(r.weakest->down_mbps));
    }
    return words;
}

}  // namespace

void busy_hour_rows(Form& form, Workspace& w, AccessPointId id) {
    if (!has_demand(w.project())) return;
    form.group(tr("At the busy hour"));
    const AccessPoint* ap = find_access_point(w.project(), w.floor_id(), id);
    for (std::size_t i = 0; ap && i < ap->radios.size(); ++i) {
        auto* words = form.text(QString::fromStdString(band(ap->radios[i].channel.band).name) + " GHz",
                                [&w, id, i]() -> QString {
                                    const HourCapacity* hour = hour_in_view(w);
                                    const RadioCapacity* r = hour ? hour->find(id, i) : nullptr;
                                    return r ? radio_words(w, *r) : hour ? tr("off") : tr("not worked out");
                                });
        words->setObjectName(QString("apBusy%1").arg(i));
    }
}

void network_rows(Form& form, Workspace& w, AccessPointId id) {
    if (w.project().demand.networks->empty()) return;
    form.group(tr("Networks that it carries"));
    for (const Network& n : *w.project().demand.networks) {
        auto* tick = new QCheckBox(QString::fromStdString(n.name), &form);
        tick->setObjectName("apNetwork" + QString::fromStdString(n.key));
        form.widget(tick);
        const auto carried = [&w, id, key = n.key] {
            const AccessPoint* ap = find_access_point(w.project(), w.floor_id(), id);
            return ap && std::ranges::none_of(ap->radios, [&](const Radio& r) {
                       return std::ranges::count(r.without, key) > 0;
                   });
        };
        form.on_refresh([tick, carried] { tick->setChecked(carried()); });
        QObject::connect(tick, &QCheckBox::clicked, &form, [&w, id, key = n.key](bool on) {
            change_thing(
                w, tr("Change networks of access point"),
                [id](Project& p, const Floor& f) { return find_access_point(p, f.id, id); },
                [](Project& p, FloorId at, const AccessPoint& ap) { replace_access_point(p, at, ap); },
                [&](AccessPoint& ap) {
                    for (Radio& r : ap.radios) {
                        std::erase(r.without, key);
                        if (!on) r.without.push_back(key);
                    }
                });
        });
    }
}

}  // namespace yemvo::app
