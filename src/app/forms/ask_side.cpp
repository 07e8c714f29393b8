// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/forms/ask_side.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>

#include "render/text_style.h"
#include "render/tr.h"
#include "wireless/band.h"

namespace yemvo::app {

AskSide::AskSide(QWidget* parent, int width_px) : side_(new QWidget(parent)), grid_(new QGridLayout(side_)) {
    side_->setObjectName("findingSide");
    side_->setFixedWidth(width_px);
    grid_->setContentsMargins(12, 8, 12, 8);
    grid_->setHorizontalSpacing(8);
    grid_->setVerticalSpacing(4);
}

void AskSide::label(const QString& words) {
    auto* l = new QLabel(words);
    l->setObjectName("small");
    grid_->addWidget(l, row_, 0);
}

QComboBox* AskSide::choice(const QString& words, const char* object, const QStringList& names, int now) {
    label(words);
    auto* box = new QComboBox;
    box->setObjectName(object);
    box->setAccessibleName(words);
    box->addItems(names);
    box->setCurrentIndex(now);
    grid_->addWidget(box, next_row(), 1);
    return box;
}

QCheckBox* AskSide::tick(const QString& words, const char* object, const QString& tip) {
    auto* box = new QCheckBox(words);
    box->setObjectName(object);
    box->setToolTip(tip);
    grid_->addWidget(box, next_row(), 1);
    return box;
}

AskSide::Bands AskSide::bands(const char* object) {
    label(tr("Radios"));
    Bands out{{}, new QHBoxLayout};
    out.row->setSpacing(10);
    for (const Band& b : yemvo::bands()) {
        auto* box = new QCheckBox(render::local(b.name));
        box->setObjectName(object + QString::number(b.id.index));
        box->setAccessibleName(tr("%1 GHz").arg(render::local(b.name)));
        box->setChecked(true);
        out.boxes.push_back(box);
        out.row->addWidget(box);
    }
    grid_->addLayout(out.row, next_row(), 1);
    return out;
}

}  // namespace yemvo::app
