// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/details/photo_rows.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPixmap>
#include <QPushButton>
#include <memory>

#include "app/forms/form.h"
#include "app/model/wishes.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

void photo_rows(Form& form, Workspace& w, const Item& item, std::function<std::string()> get,
                std::function<void()> drop_it) {
    form.group(tr("Photo"));
    auto* picture = new QLabel;
    picture->setObjectName("notePhoto");
    form.widget(picture);
    form.on_refresh([picture, get, &w, shown = std::make_shared<std::string>("?")] {
        if (*shown == get()) return;
        *shown = get();
        const auto asset = w.project().assets.find(get());
        QPixmap pixmap;
        if (asset != w.project().assets.end())
            pixmap.loadFromData(reinterpret_cast<const uchar*>(asset->second->data()),
                                static_cast<uint>(asset->second->size()));
        if (!pixmap.isNull()) pixmap = pixmap.scaled(250, 220, Qt::KeepAspectRatio, Qt::SmoothTransformation);
        picture->setPixmap(pixmap);
        picture->setVisible(!pixmap.isNull());
    });
    auto* row = form.row({});
    auto* choose = new QPushButton(tr("Choose a photo…"));
    choose->setObjectName("choosePhoto");
    QObject::connect(choose, &QPushButton::clicked, &form,
                     [&w, item] { emit w.wishes().choose_photo(item); });
    row->addWidget(choose);
    auto* drop = new QPushButton(tr("Remove photo"));
    drop->setObjectName("dropPhoto");
    QObject::connect(drop, &QPushButton::clicked, &form, std::move(drop_it));
    form.on_refresh([drop, get] { drop->setEnabled(!get().empty()); });
    row->addWidget(drop);
}

}  // namespace yemvo::app
