// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/map/map_feature.h"

#include <QMenu>

#include "app/map/lens_bar.h"
#include "app/map/map_menu.h"
#include "app/model/shown_map.h"
#include "render/tr.h"

namespace yemvo::app {

MapFeature::MapFeature(Shell& shell) : Feature(shell) {
    auto* bar = new LensBar(workspace_, shell.frame());
    shell.put(Place::over_plan, bar);
    QMenu* through = shell.menu("view.map", tr("Lens"));
    for (const LensInfo& info : lenses())
        shell.command_in(through, {"lens." + QString::fromStdString(info.key),
                                   tr("Lens %1").arg(tr_mark(info.name)),
                                   {},
                                   [this, id = info.id] { workspace_.shown().look_through(id); }});
    fill_map_menu(shell, shell.menu("view.map", tr("Map")));
    QMenu* colouring = shell.menu("view.map", tr("Colouring"));
    fill_colouring_menu(shell, colouring);
    bar->set_colouring(colouring);
}

}  // namespace yemvo::app
