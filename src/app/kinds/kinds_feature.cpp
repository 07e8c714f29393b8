// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/kinds/kinds_feature.h"

#include <QMenu>
#include <algorithm>

#include "app/kinds/kind_face.h"
#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "project/kinds/all.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

KindsFeature::KindsFeature(Shell& shell) : Feature(shell) {
    QMenu* menu = shell.menu("view.pages", tr("Hide and lock"));
    offer_display(menu, true);
    menu->addSeparator();
    offer_display(menu, false);
    shell.named_things([this](std::vector<NamedThing>& all) { add_named(all); });
}

void KindsFeature::offer_display(QMenu* menu, bool hides) {
    for (const KindFace& face : kind_faces()) {
        if (hides && !face.can_hide) continue;
        const QString many = tr(face.many);
        shell_.command_in(menu, {QString(hides ? "hide." : "lock.") + QString(many).replace(' ', '-'),
                                 QString(hides ? tr("Hide %1") : tr("Lock %1")).arg(many),
                                 {},
                                 [this, hides, kind = face.kind] {
                                     workspace_.edit(
                                         hides ? tr("Hide or show") : tr("Lock or unlock"), [&](Project& p) {
                                             auto& list = hides ? p.display.hidden : p.display.locked;
                                             if (std::erase(list, kind) == 0) list.push_back(kind);
                                         });
                                     workspace_.selection().select({});
                                 },
                                 Needs::work,
                                 [this, hides, kind = face.kind] {
                                     const Display& d = workspace_.project().display;
                                     return std::ranges::count(hides ? d.hidden : d.locked, kind) > 0;
                                 }});
    }
}

void KindsFeature::add_named(std::vector<NamedThing>& all) {
    const Project& p = workspace_.project();
    const auto go = [this](FloorId at, const Item& item) {
        return [this, at, item] {
            workspace_.in_view().show_floor(at);
            workspace_.activity().set_tool(ToolId::select);
            workspace_.selection().select({item});
        };
    };
    for (const Floor* f : all_floors(p)) {
        const QString title = QString::fromStdString(floor_title(p, *f));
        each_kind([&]<class Thing>() {
            if constexpr (requires(const Thing& t) { t.name; }) {
                QString kind = KindOf<Thing>::name;
                kind[0] = kind[0].toUpper();
                for (const Thing& t : KindOf<Thing>::list(*f))
                    if (!t.name.empty())
                        all.push_back({QString::fromStdString(t.name), kind + ", " + title,
                                       go(f->id, {KindOf<Thing>::kind, t.id.value})});
            }
        });
        for (const AccessPoint& ap : access_points(p, f->id))
            all.push_back({tr("Access point %1").arg(ap.number), title,
                           go(f->id, {ItemKind::access_point, ap.id.value})});
    }
}

}  // namespace yemvo::app
