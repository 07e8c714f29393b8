// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/details/details_feature.h"

#include <QFile>
#include <QFileInfo>
#include <QImage>

#include "app/asking/asking.h"
#include "app/details/details_panel.h"
#include "app/model/activity.h"
#include "app/model/selection.h"
#include "app/model/wishes.h"
#include "project/edits.h"
#include "render/tr.h"

namespace yemvo::app {

DetailsFeature::DetailsFeature(Shell& shell)
    : Feature(shell), panel_(new DetailsPanel(workspace_, shell.frame())) {
    shell.put(Place::details, panel_);
    connect(&workspace_.wishes(), &Wishes::client_height, this, [this] {
        // the site's settings stand below the floor, which is shown while nothing is selected
        if (workspace_.activity().step() == Step::proof) workspace_.activity().set_step(Step::placement);
        workspace_.activity().set_tool(ToolId::select);
        workspace_.selection().select({});
        panel_->show_field("clientHeight");
    });
    connect(&workspace_.wishes(), &Wishes::choose_photo, this, &DetailsFeature::choose_photo);
}

void DetailsFeature::choose_photo(const Item& item) {
    const QString chosen =
        shell_.asking().open_file(tr("Choose a photo"), tr("Photos (*.jpg *.jpeg *.png *.webp)"));
    if (chosen.isEmpty() || !workspace_.floor()) return;
    constexpr qint64 largest = 50 << 20;
    QFile file(chosen);
    const QString said = QFileInfo(chosen).fileName();
    if (!file.open(QIODevice::ReadOnly))
        return workspace_.tell(
            tr("%1 cannot be opened: check that it exists and that you may read it").arg(said), true);
    if (file.size() > largest)
        return workspace_.tell(tr("%1 is larger than 50 MB: choose a smaller photo").arg(said), true);
    const QByteArray bytes = file.readAll();
    if (QImage::fromData(bytes).isNull())
        return workspace_.tell(
            tr("%1 is no picture that can be read: choose a JPEG, PNG or WebP photo").arg(said), true);
    const auto* begin = reinterpret_cast<const std::byte*>(bytes.constData());
    const FloorId at = workspace_.floor_id();
    workspace_.edit(tr("Choose photo"), [&](Project& p) {
        const std::string name = add_asset(p, said.toStdString(), Bytes(begin, begin + bytes.size()));
        if (item.kind == ItemKind::note) {
            Note n = *find_note(*find_floor(p, at), NoteId{item.id});
            n.photo = name;
            replace_note(p, at, n);
        } else {
            AccessPoint ap = *find_access_point(p, at, AccessPointId{item.id});
            ap.on_site.photo = name;
            replace_access_point(p, at, ap);
        }
    });
}

}  // namespace yemvo::app
