// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/candidates/candidate_head.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/look/theme.h"
#include "base/error.h"
#include "project/working_radio.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QComboBox* narrow_choice(const QString& object, const QString& name) {
    auto* box = new QComboBox;
    box->setObjectName(object);
    box->setAccessibleName(name);
    box->setToolTip(name);
    box->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    box->setMinimumWidth(40);
    return box;
}

}  // namespace

CandidateHead::CandidateHead(int number, QWidget* parent) : QFrame(parent), number_(number) {
    const QString tail = QString::number(number);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(8, 5, 8, 5);
    column->setSpacing(4);
    auto* row = new QHBoxLayout;
    row->setSpacing(5);
    badge_ = new QLabel(QString::number(number + 1));
    badge_->setAlignment(Qt::AlignCenter);
    badge_->setFixedSize(20, 20);
    row->addWidget(badge_);
    model_ = narrow_choice("candidateModel" + tail, tr("Model"));
    row->addWidget(model_, 1);
    remove_ = push_button("×", "candidateRemove" + tail, tr("Take this candidate away"));
    remove_->setFixedWidth(26);
    remove_->setStyleSheet("padding: 0;");
    row->addWidget(remove_);
    column->addLayout(row);
    row = new QHBoxLayout;
    row->setSpacing(5);
    radios_ = new QWidget;
    auto* chips = new QHBoxLayout(radios_);
    chips->setContentsMargins(0, 0, 0, 0);
    chips->setSpacing(3);
    row->addWidget(radios_, 1);
    power_ = new UnitField("dBm");
    power_->setObjectName("candidatePower" + tail);
    power_->setAccessibleName(tr("Conducted power"));
    power_->setFixedWidth(76);
    row->addWidget(power_);
    column->addLayout(row);
    row = new QHBoxLayout;
    row->setSpacing(5);
    source_ = narrow_choice("candidateSource" + tail, tr("Power source"));
    antenna_ = narrow_choice("candidateAntenna" + tail, tr("Antenna"));
    row->addWidget(source_, 1);
    row->addWidget(antenna_, 1);
    column->addLayout(row);
    connect(model_, &QComboBox::activated, this,
            [this] { emit model_chosen(ModelId{model_->currentData().toUInt()}); });
    connect(remove_, &QPushButton::clicked, this, &CandidateHead::removed);
    connect(antenna_, &QComboBox::activated, this, [this] {
        emit changed([radio = radio_, id = AntennaId{antenna_->currentData().toUInt()}](AccessPoint& ap) {
            ap.radios[radio].antenna = id;
            if (!id) take_own_antenna(ap.radios[radio]);
        });
    });
    connect(source_, &QComboBox::activated, this, [this] {
        const int value = source_->currentData().toInt();
        emit changed([value](AccessPoint& ap) {
            ap.source = value < 0 ? std::nullopt : std::optional(static_cast<PowerSource>(value / 100));
            ap.alternative = value < 0 ? 0 : value % 100;
        });
    });
    connect(power_, &UnitField::confirmed, this, [this](const QString& typed) {
        try {
            const double dbm =
                range_.nearest_dbm(parse_number(typed, range_.low_dbm, range_.high_dbm, "dBm"));
            emit changed([radio = radio_, dbm](AccessPoint& ap) { ap.radios[radio].power_dbm = dbm; });
        } catch (const Error& fault) {
            power_->show_fault(fault_text(fault));
        }
    });
}

void CandidateHead::show_candidate(const Project& p, const AccessPoint& ap, BandId shown, bool chosen,
                                   bool removable) {
    dress(this, chosen
                    ? "yemvo--app--CandidateHead { background: @accentTint; border-top: 3px solid @accent; }"
                    : "yemvo--app--CandidateHead { background: @chrome; border-top: 3px solid @chrome; }");
    dress(badge_,
          chosen ? "QLabel { background: @accent; color: @onAccent; border-radius: 10px; font-weight: 650; }"
                 : "QLabel { background: @tile; color: @ink; border: 1px solid @ink; border-radius: 10px; }");
    remove_->setVisible(removable);
    fill_models(p, ap);
    fill_radios(ap);
    fill_antennas(p, ap, shown);
    fill_sources(p, ap);
}

void CandidateHead::fill_models(const Project& p, const AccessPoint& ap) {
    model_->clear();
    for (const AccessPointModel& m : *p.models) {
        model_->addItem(QString::fromStdString(m.name), m.id.value);
        if (m.id == ap.model) model_->setCurrentIndex(model_->count() - 1);
    }
    model_->setToolTip(model_->currentText());
}

/// A chip a radio: on or off.
void CandidateHead::fill_radios(const AccessPoint& ap) {
    if (chips_.size() != ap.radios.size()) {
        for (QPushButton* chip : chips_) chip->deleteLater();
        chips_.clear();
        for (std::size_t r = 0; r < ap.radios.size(); ++r) {
            auto* chip = push_button({}, QString("candidate%1Radio%2").arg(number_).arg(r), tr("On or off"));
            chip->setCheckable(true);
            chip->setStyleSheet("padding: 0 4px;");
            radios_->layout()->addWidget(chip);
            chips_.push_back(chip);
            connect(chip, &QPushButton::clicked, this, [this, r](bool on) {
                emit changed([r, on](AccessPoint& one) { one.radios[r].on = on; });
            });
        }
    }
    for (std::size_t r = 0; r < ap.radios.size(); ++r) {
        chips_[r]->setText(QString::fromStdString(band(ap.radios[r].channel.band).name));
        chips_[r]->setChecked(ap.radios[r].on);
    }
}

void CandidateHead::fill_antennas(const Project& p, const AccessPoint& ap, BandId shown) {
    radio_ = 0;
    bool there = false;
    for (std::size_t r = 0; r < ap.radios.size(); ++r)
        if (ap.radios[r].channel.band == shown && (!there || ap.radios[r].on)) {
            if (!there || !ap.radios[radio_].on) radio_ = r;
            there = true;
        }
    const WorkingRadio working = working_radio(p, ap, radio_);
    range_ = working.can->power;
    power_->setEnabled(there);
    power_->show_value(there ? render::figure(ap.radios[radio_].power_dbm, 0) : QString());
    antenna_->clear();
    antenna_->addItem(tr("own antenna"), 0u);
    for (const AntennaModel* a : fitting_antennas(p, *working.can)) {
        antenna_->addItem(QString::fromStdString(a->name), a->id.value);
        if (a->id == ap.radios[radio_].antenna) antenna_->setCurrentIndex(antenna_->count() - 1);
    }
    antenna_->setEnabled(there && antenna_->count() > 1);
}

void CandidateHead::fill_sources(const Project& p, const AccessPoint& ap) {
    source_->clear();
    source_->addItem(tr("any power"), -1);
    for (const PowerRow& row : model(p, ap.model).power)
        for (std::size_t i = 0; i < row.alternatives.size(); ++i) {
            const QString way = QString::fromStdString(row.alternatives[i].name),
                          name = tr_mark(power_source_name(row.source));
            source_->addItem(way.isEmpty() ? name : name + ": " + way,
                             static_cast<int>(row.source) * 100 + static_cast<int>(i));
            if (ap.source == row.source && ap.alternative == static_cast<int>(i))
                source_->setCurrentIndex(source_->count() - 1);
        }
    source_->setToolTip(source_->currentText());
}

}  // namespace yemvo::app
