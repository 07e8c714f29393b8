// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/materials/type_tables.h"

#include <QComboBox>
#include <QSignalBlocker>
#include <QTableWidget>

#include "app/forms/typed_table.h"
#include "project/library.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
void fill_losses(QTableWidget* table, const std::vector<LossPoint>& losses) {
    const QSignalBlocker quiet(table);
    table->setRowCount(static_cast<int>(losses.size()));
    fit_rows(table);
    for (int r = 0; r < table->rowCount(); ++r) {
        const LossPoint& p = losses[static_cast<std::size_t>(r)];
        const double values[] = {p.frequency_ghz, p.low_db, p.loss_db, p.high_db};
        for (int c = 0; c < 4; ++c) {
            auto* item = new QTableWidgetItem(c == 0 ? QString::number(values[c], 'g', 6)
                                                     : render::figure(values[c], 1));
            item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
            table->setItem(r, c, item);
        }
    }
}

std::vector<LossPoint> losses_in(const QTableWidget* table) {
    std::vector<LossPoint> points;
    for (int r = 0; r < table->rowCount(); ++r)
        points.push_back({cell_number(table, r, 0, 0.1, 300), cell_number(table, r, 2, 0, 2000),
                          cell_number(table, r, 1, 0, 2000), cell_number(table, r, 3, 0, 2000)});
    std::sort(points.begin(), points.end(),
              [](auto& a, auto& b) { return a.frequency_ghz < b.frequency_ghz; });
    for (std::size_t i = 0; i < points.size(); ++i) {
        if (points[i].low_db > points[i].loss_db || points[i].high_db < points[i].loss_db)
            throw Error(say("low must be at most, high at least the typical loss"));
        if (i > 0 && points[i].frequency_ghz <= points[i - 1].frequency_ghz)
            throw Error(say("a frequency stands there twice"));
    }
    return points;
}

void fill_layers(QTableWidget* table, const std::vector<Layer>& layers,
                 const std::function<void(std::size_t, const Material&)>& material_chosen) {
    const QSignalBlocker quiet(table);
    const auto materials = standard_materials();
    table->setRowCount(static_cast<int>(layers.size()));
    fit_rows(table);
    for (int r = 0; r < table->rowCount(); ++r) {
        const Layer& l = layers[static_cast<std::size_t>(r)];
        auto* combo = new QComboBox;
        combo->setObjectName(QString("layerMaterial%1").arg(r));
        int chosen = -1;
        for (std::size_t m = 0; m < materials.size(); ++m) {
            const Material& one = materials[m];
            combo->addItem(QString::fromStdString(one.name));
            combo->setItemData(static_cast<int>(m),
                               tr("%1 to %2 GHz; ε' %3 f^%4, σ %5 f^%6 S/m")
                                   .arg(one.low_ghz)
                                   .arg(one.high_ghz)
                                   .arg(one.a)
                                   .arg(one.b)
                                   .arg(one.c)
                                   .arg(one.d),
                               Qt::ToolTipRole);
            if (one == l.material) chosen = static_cast<int>(m);
        }
        if (chosen < 0) {
            combo->addItem(QString::fromStdString(l.material.name));
            chosen = combo->count() - 1;
        }
        combo->setCurrentIndex(chosen);
        combo->setToolTip(combo->itemData(chosen, Qt::ToolTipRole).toString());
        QObject::connect(combo, &QComboBox::activated, table, [materials, material_chosen, r](int i) {
            if (i < static_cast<int>(materials.size()))
                material_chosen(static_cast<std::size_t>(r), materials[static_cast<std::size_t>(i)]);
        });
        table->setCellWidget(r, 0, combo);
        const QString values[] = {l.sheet_ohm > 0 ? QString() : QString::number(l.thickness_m * 1000, 'g', 5),
                                  l.sheet_ohm > 0 ? QString::number(l.sheet_ohm, 'g', 5) : QString()};
        for (int c = 0; c < 2; ++c) {
            auto* item = new QTableWidgetItem(values[c]);
            item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
            table->setItem(r, c + 1, item);
        }
    }
}

std::vector<Layer> layers_in(const QTableWidget* table, std::vector<Layer> layers) {
    for (int r = 0; r < table->rowCount() && r < static_cast<int>(layers.size()); ++r) {
        Layer& l = layers[static_cast<std::size_t>(r)];
        const QTableWidgetItem* ohm = table->item(r, 2);
        l.sheet_ohm = ohm && !ohm->text().trimmed().isEmpty() ? cell_number(table, r, 2, 0.01, 1e6) : 0;
        if (l.sheet_ohm <= 0) l.thickness_m = cell_number(table, r, 1, 0.01, 10000) / 1000;
    }
    return layers;
}

}  // namespace yemvo::app
