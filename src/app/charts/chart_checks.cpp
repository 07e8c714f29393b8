// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/charts/chart_checks.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <cmath>

#include "app/charts/cuts_strip.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "base/number_text.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

ChartChecks::ChartChecks(QWidget* parent) : QWidget(parent) {
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setVerticalSpacing(4);
    int line = 0;
    const auto check = [&](const QString& words, const char* object) {
        auto* label = new QLabel;
        label->setObjectName(object);
        label->setWordWrap(true);
        grid->addWidget(new QLabel(words), line, 0, Qt::AlignTop);
        grid->addWidget(label, line++, 1);
        return label;
    };
    efficiency_ = check(tr("Efficiency"), "chartEfficiency");
    guessed_ = check(tr("Guessed"), "chartGuessed");
    strip_ = new CutsStrip;
    auto* what = new QLabel(tr("Azimuth less elevation"));
    what->setObjectName("small");
    what->setToolTip(tr("Where both look the same way: there they ought to agree"));
    grid->addWidget(what, line++, 0, 1, 2);
    grid->addWidget(strip_, line++, 0, 1, 2);
    tolerance_ = new UnitField("dB");
    tolerance_->setObjectName("chartTolerance");
    tolerance_->show_value(render::figure(1, 1));
    add_row(grid, line++, tr("Agree within"), tolerance_);
    take_ = new QComboBox;
    take_->setObjectName("chartBehindTake");
    take_->addItems({tr("each its own"), tr("azimuth"), tr("mean"), tr("elevation")});
    add_row(grid, line++, tr("Behind, take"), take_);
    auto* fit = push_button(tr("Fit rings jointly"), "fitRings",
                            tr("Rings of both charts move within a pixel until the cuts agree best behind"));
    grid->addWidget(fit, line++, 0, 1, 2);
    grid->setColumnStretch(1, 1);
    connect(tolerance_, &UnitField::confirmed, this, [this](const QString& typed) {
        try {
            tolerance_->show_value(render::figure(parse_number(typed, 0.05, 40, "dB"), 2));
            emit changed();
        } catch (const Error& fault) {
            tolerance_->show_fault(fault_text(fault));
        }
    });
    connect(take_, &QComboBox::activated, this, &ChartChecks::changed);
    connect(fit, &QPushButton::clicked, this, &ChartChecks::fit_wanted);
}

BehindTake ChartChecks::behind_take() const { return static_cast<BehindTake>(take_->currentIndex()); }

void ChartChecks::show_cuts(const PatternCuts& both, std::optional<double> gain_dbi, int guessed) {
    const double within_db = read_number(render::plain(tolerance_->text())).value_or(1);
    const double directivity_dbi = measures(both).directivity_dbi;
    efficiency_->setText(
        gain_dbi ? tr("%1 % of %2 dBi directivity")
                       .arg(render::figure(100 * std::pow(10, (*gain_dbi - directivity_dbi) / 10)),
                            render::figure(directivity_dbi, 1))
                 : tr("tell the gain: the cuts have %1 dBi").arg(render::figure(directivity_dbi, 1)));
    guessed_->setText(guessed == 0 ? tr("nothing") : counted("%n direction", "%n directions", guessed));
    strip_->show_cuts(both, within_db);
}

}  // namespace yemvo::app
