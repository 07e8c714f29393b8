// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gear/body_rows.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QPushButton>

#include "app/forms/form.h"
#include "render/tr.h"

namespace yemvo::app {

void add_body_rows(Form* form, const std::function<const Body&()>& get,
                   const std::function<void(const QString&, const std::function<void(Body&)>&)>& change) {
    const auto number = [&](QHBoxLayout* row, const char* object, const QString& unit, int decimals,
                            double Body::*field, Range range) {
        form->number_field(
            row, object, unit, decimals, [get, field] { return get().*field; },
            [change, field](double v) { change(tr("Change size or price"), [&](Body& b) { b.*field = v; }); },
            range);
    };
    auto* row = form->row(tr("Size"));
    number(row, "bodyWidth", tr("w"), 0, &Body::width_mm, limits::size_mm);
    number(row, "bodyHeight", tr("h"), 0, &Body::height_mm, limits::size_mm);
    number(row, "bodyDepth", tr("d mm"), 0, &Body::depth_mm, limits::size_mm);
    row = form->row(tr("Weight, price"));
    number(row, "bodyWeight", "kg", 2, &Body::weight_kg, limits::weight_kg);
    number(row, "bodyPrice", "", 0, &Body::price, limits::price);
    auto* outdoor = new QCheckBox(tr("for outdoors"));
    outdoor->setObjectName("bodyOutdoor");
    QObject::connect(outdoor, &QCheckBox::clicked, form, [change](bool on) {
        change(tr("Change where it may hang"), [&](Body& b) { b.outdoor = on; });
    });
    form->on_refresh([outdoor, get] { outdoor->setChecked(get().outdoor); });
    form->row("")->addWidget(outdoor, 1);
}

void add_chips(Form* form, const QString& label, const QString& object, const std::vector<QString>& names,
               int chosen, const std::function<void(int)>& choose) {
    auto* row = form->row(label);
    for (std::size_t i = 0; i < names.size(); ++i) {
        auto* chip = new QPushButton(names[i]);
        chip->setObjectName(object + QString::number(i));
        chip->setCheckable(true);
        chip->setChecked(static_cast<int>(i) == chosen);
        QObject::connect(chip, &QPushButton::clicked, form, [choose, i] { choose(static_cast<int>(i)); });
        row->addWidget(chip, 1);
    }
}

}  // namespace yemvo::app
