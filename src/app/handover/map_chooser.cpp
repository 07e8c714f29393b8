// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/handover/map_chooser.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>

#include "app/forms/form_parts.h"
#include "render/tr.h"

namespace yemvo::app {

std::vector<ReportMap> as_chosen(const std::vector<render::MapChoice>& maps) {
    std::vector<ReportMap> all;
    for (const render::MapChoice& m : maps) {
        ReportMap map{lens(m.lens).key, {}};
        for (BandId b : m.bands.list()) map.bands.push_back(band(b).name);
        all.push_back(std::move(map));
    }
    return all;
}

MapChooser::MapChooser(QWidget* parent) : QWidget(parent) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    lens_ = new QComboBox;
    lens_->setObjectName("mapLens");
    lens_->setAccessibleName(tr("What the map shows"));
    for (const LensInfo& info : lenses())
        if (!info.needs.surroundings) lens_->addItem(tr_mark(info.name), QString::fromStdString(info.key));
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    row->addWidget(lens_, 1);
    for (BandId b : {band_24, band_5, band_6}) {
        auto* box = new QCheckBox(QString::fromStdString(band(b).name));
        box->setObjectName(QString("mapBand%1").arg(b.index));
        box->setChecked(b == band_5);
        bands_.push_back(box);
        row->addWidget(box);
    }
    column->addLayout(row);
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(6);
    auto* add = push_button(tr("Add map"), "addMap");
    auto* remove = push_button(tr("Leave out"), "removeMap", tr("The map chosen in the list"));
    buttons->addWidget(add, 1);
    buttons->addWidget(remove, 1);
    column->addLayout(buttons);
    connect(remove, &QPushButton::clicked, this, &MapChooser::removed);
    connect(add, &QPushButton::clicked, this, [this] {
        ReportMap map{lens_->currentData().toString().toStdString(), {}};
        for (const QCheckBox* box : bands_)
            if (box->isChecked()) map.bands.push_back(box->text().toStdString());
        if (!lens(*find_lens(map.lens)).of_radios())
            map.bands.clear();
        else if (map.bands.empty())
            return;
        emit chosen(map);
    });
    connect(lens_, &QComboBox::currentIndexChanged, this, [this] {
        const auto id = find_lens(lens_->currentData().toString().toStdString());
        for (QCheckBox* box : bands_) box->setEnabled(id && lens(*id).of_radios());
    });
}

}  // namespace yemvo::app
