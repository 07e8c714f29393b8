// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/forms/form_parts.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>
#include <algorithm>

#include "project/item.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/wall_type.h"

namespace yemvo::app {

int index_of(const std::vector<WallTypeId>& ids, WallTypeId id) {
    const auto found = std::find(ids.begin(), ids.end(), id);
    return found == ids.end() ? -1 : static_cast<int>(found - ids.begin());
}

QPushButton* push_button(const QString& words, const QString& object, const QString& tip) {
    auto* b = new QPushButton(words);
    b->setObjectName(object);
    b->setToolTip(tip);
    return b;
}

void title(Form& form, const QString& words) {
    auto* label = new QLabel(words);
    label->setObjectName("title");
    form.widget(label);
}

QString floor_names(const Workspace& w) {
    QString names;
    if (w.floor())
        for (const Floor& f : building_with(w.project(), w.floor_id()).floors)
            names += QString("%1 %2 ").arg(f.id.value).arg(QString::fromStdString(f.name));
    return names;
}

QString metre(Workspace& w) { return w.units() == LengthUnits::metres ? "m" : ""; }

void loss_rows(Form& form, Workspace& w, std::function<WallTypeId()> get) {
    form.text(tr("Loss"), [&w, get] {
        QString words;
        const WallType& t = wall_type(w.project(), get());
        for (const Band& b : bands())
            words += (words.isEmpty() ? "" : "  ") + render::figure(loss_db(t, b.reference_mhz / 1000), 1);
        return tr("%1%2\nat 2.4, 5 and 6 GHz").arg(words, (t.use == TypeUse::obstacle ? " dB/m" : " dB"));
    });
    form.text(tr("Source"),
              [&w, get] { return QString::fromStdString(wall_type(w.project(), get()).source); })
        ->setWordWrap(true);
}

}  // namespace yemvo::app
