// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gear/lobe_side.h"

#include <QApplication>
#include <QClipboard>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QRegularExpression>
#include <QTableWidget>
#include <QTimer>
#include <QVBoxLayout>
#include <cmath>

#include "antenna/gain_table.h"
#include "antenna/pattern/cut_edits.h"
#include "antenna/pattern/measured_pattern.h"
#include "app/forms/form.h"
#include "app/look/theme.h"
#include "app/pattern/lobe_view.h"
#include "app/pattern/polar_plot.h"
#include "base/error.h"
#include "base/number_text.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int value_steps_deg[] = {1, 5, 10, 15};

enum LobeFigure {
    gain,
    directivity,
    efficiency,
    azimuth_width,
    elevation_width,
    front_to_back,
    side_lobe,
    peak,
    figures
};

constexpr std::string_view figure_names[figures] = {mark("gain"),
                                                    mark("directivity"),
                                                    mark("efficiency"),
                                                    mark("azimuth, 3 dB"),
                                                    mark("elevation, 3 dB"),
                                                    mark("front to back"),
                                                    mark("highest side lobe"),
                                                    mark("peak: azimuth, elevation")};

QString beam_text(double width_deg) {
    return width_deg >= 360 ? tr("round") : render::figure(width_deg, 1) + "°";
}

/// What is probably wrong where gain and cuts cannot belong together.
QString gain_doubt(double loss_db) {
    if (loss_db < -0.05)
        return tr("The gain is %1 dB more than such cuts can have: are the cuts swapped, is the gain in dBd, "
                  "or is a "
                  "sign wrong?")
            .arg(render::figure(-loss_db, 1));
    if (loss_db > 3)
        return tr("%1 dB less gain than the cuts have: is it the gain of another band, or are the cuts not "
                  "of one "
                  "antenna?")
            .arg(render::figure(loss_db, 1));
    return {};
}

}  // namespace

LobeSide::LobeSide(QWidget* parent) : QWidget(parent) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(12, 8, 12, 8);
    column->setSpacing(6);
    title_ = new QLabel;
    title_->setObjectName("head");
    column->addWidget(title_);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    azimuth_ = new PolarPlot(PolarPlot::Which::azimuth);
    elevation_ = new PolarPlot(PolarPlot::Which::elevation);
    row->addWidget(azimuth_, 1);
    row->addWidget(elevation_, 1);
    column->addLayout(row, 5);
    row = new QHBoxLayout;
    row->setSpacing(6);
    lobe_ = new LobeView;
    row->addWidget(lobe_, 1);
    row->addWidget(make_figures(), 1);
    column->addLayout(row, 4);
    column->addWidget(make_values());
}

QWidget* LobeSide::make_figures() {
    auto* box = new QWidget;
    auto* grid = new QGridLayout(box);
    grid->setContentsMargins(6, 0, 0, 0);
    grid->setVerticalSpacing(2);
    for (int i = 0; i < figures; ++i) {
        auto* value = new QLabel;
        value->setFont(render::font(15, 650));
        value->setStyleSheet("font-size: 15px; font-weight: 650;");
        value->setObjectName("figure" + QString::number(i));
        auto* name = new QLabel(tr_mark(figure_names[i]));
        name->setObjectName("small");
        value->setAccessibleName(name->text());
        figures_.push_back(value);
        grid->addWidget(value, i / 2 * 2, i % 2);
        grid->addWidget(name, i / 2 * 2 + 1, i % 2);
    }
    check_ = new QLabel;
    check_->setObjectName("patternCheck");
    check_->setWordWrap(true);
    grid->addWidget(check_, figures, 0, 1, 2);
    grid->setRowStretch(figures + 1, 1);
    return box;
}

QWidget* LobeSide::make_values() {
    auto* box = new QWidget;
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(3);
    auto* row = new QHBoxLayout;
    auto* head = new QLabel(tr("Values, dB below the peak: type over or paste"));
    head->setObjectName("small");
    row->addWidget(head, 1);
    at_label_ = new QLabel(tr("at"));
    at_ = new QComboBox;
    at_->setObjectName("valuesAt");
    at_->setAccessibleName(tr("Frequency of the values"));
    at_label_->setBuddy(at_);
    row->addWidget(at_label_);
    row->addWidget(at_);
    connect(at_, &QComboBox::activated, this, &LobeSide::refresh);
    auto* label = new QLabel(tr("every"));
    step_ = new QComboBox;
    step_->setObjectName("valueStep");
    label->setBuddy(step_);
    for (int s : value_steps_deg) step_->addItem(QString::number(s) + "°", s);
    step_->setCurrentIndex(3);
    row->addWidget(label);
    row->addWidget(step_);
    column->addLayout(row);
    values_ = new QTableWidget(2, 24);
    values_->setObjectName("patternValues");
    values_->setAccessibleName(tr("Values of both cuts"));
    values_->setVerticalHeaderLabels({tr("Azimuth"), tr("Elevation")});
    values_->verticalHeader()->setDefaultSectionSize(24);
    values_->setTextElideMode(Qt::ElideNone);
    values_->horizontalHeader()->setDefaultSectionSize(60);
    values_->horizontalHeader()->setMinimumSectionSize(30);
    values_->setFixedHeight(24 + 2 * 24 + 22);
    values_->setCornerButtonEnabled(false);
    values_->setFrameShape(QFrame::NoFrame);
    values_->setTabKeyNavigation(false);
    values_->installEventFilter(this);
    column->addWidget(values_);
    connect(step_, &QComboBox::currentIndexChanged, this, [this] {
        fill_values();
        show_front();
    });
    connect(values_, &QTableWidget::cellChanged, this, &LobeSide::take_value);
    return box;
}

int LobeSide::step_deg() const { return step_->currentData().toInt(); }

/// Those that the pattern has; the one chosen stays while it is there, else the nearest to the band.
void LobeSide::fill_frequencies(const MeasuredPattern* pattern, double near_mhz) {
    const bool several = pattern && pattern->cuts.size() > 1;
    at_->setVisible(several);
    at_label_->setVisible(several);
    const double chosen_mhz = at_->currentData().toDouble();
    at_->clear();
    if (!several) return;
    int nearest = 0;
    for (const PatternCuts& c : pattern->cuts) {
        at_->addItem(tr("%1 MHz").arg(render::figure(c.frequency_mhz)), c.frequency_mhz);
        const int here = at_->count() - 1;
        const auto off = [&](int i) { return std::abs(at_->itemData(i).toDouble() - near_mhz); };
        if (off(here) < off(nearest)) nearest = here;
    }
    const int kept = at_->findData(chosen_mhz);
    at_->setCurrentIndex(kept >= 0 ? kept : nearest);
}

void LobeSide::show_antenna(const QString& whose, const Antenna& antenna, BandId id) {
    if (whose != whose_) at_->clear();
    whose_ = whose;
    antenna_ = antenna;
    band_ = id;
    title_->setText(whose);
    const auto* measured = std::get_if<MeasuredLobe>(&antenna.lobe);
    fill_frequencies(measured ? &measured->pattern() : nullptr, band(id).reference_mhz);
    refresh();
}

void LobeSide::refresh() {
    Lobe lobe = antenna_.lobe;
    if (const auto* measured = std::get_if<MeasuredLobe>(&lobe)) {
        MeasuredPattern shown = measured->pattern();
        const auto at = static_cast<std::size_t>(std::max(at_->currentIndex(), 0));
        cuts_ = shown.cuts[at];
        shown.cuts = {cuts_};
        lobe = MeasuredLobe(std::move(shown));
    } else {
        cuts_ = cuts_of(lobe, band(band_).reference_mhz);
    }
    azimuth_->show_cut(cuts_.azimuth, band_);
    elevation_->show_cut(cuts_.elevation, band_);
    lobe_->show_lobe(lobe);
    fill_figures({antenna_.gain_dbi, lobe});
    fill_values();
}

void LobeSide::fill_figures(const Antenna& antenna) {
    const auto* measured = std::get_if<MeasuredLobe>(&antenna.lobe);
    PatternMeasures m = measures(cuts_, measured ? measured->pattern().blend : Blend::by_angle);
    if (!measured) m.directivity_dbi = directivity_dbi(antenna.lobe);
    const double loss_db = m.directivity_dbi - antenna.gain_dbi;
    const QString texts[figures] = {
        render::figure(antenna.gain_dbi, 1) + " dBi",
        render::figure(m.directivity_dbi, 1) + " dBi",
        render::figure(100 * std::pow(10, -loss_db / 10)) + " %",
        beam_text(m.azimuth_width_deg),
        beam_text(m.elevation_width_deg),
        render::figure(m.front_to_back_db, 1) + " dB",
        m.side_lobe_db == 0 ? tr("none") : render::figure(m.side_lobe_db, 1) + " dB",
        tr("%1°, %2°")
            .arg(render::figure(to_both_sides(m.peak_azimuth_deg)),
                 render::figure(to_both_sides(m.peak_elevation_deg)))};
    for (int i = 0; i < figures; ++i) figures_[static_cast<std::size_t>(i)]->setText(texts[i]);
    const QString why = gain_doubt(loss_db);
    check_->setText(why);
    dress(check_, "QLabel { color: @notMet; }");
    check_->setVisible(!why.isEmpty());
}

QString LobeSide::words() const {
    QStringList all;
    for (int i = 0; i < figures; ++i)
        all << tr_mark(figure_names[i]) + " " + figures_[static_cast<std::size_t>(i)]->text();
    return all.join("; ") + (check_->isHidden() ? QString() : "; " + check_->text());
}

void LobeSide::fill_values() {
    const QSignalBlocker quiet(values_);
    const int step = step_deg(), columns = 360 / step;
    values_->setColumnCount(columns);
    for (int c = 0; c < columns; ++c) {
        // from just beyond the back round over the front to the back
        const int degree = -180 + step * (c + 1);
        if (!values_->horizontalHeaderItem(c)) values_->setHorizontalHeaderItem(c, new QTableWidgetItem);
        values_->horizontalHeaderItem(c)->setText(render::figure(degree) + "°");
        for (int r = 0; r < 2; ++r) {
            if (!values_->item(r, c)) {
                values_->setItem(r, c, new QTableWidgetItem);
                values_->item(r, c)->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
            }
            values_->item(r, c)->setText(
                render::figure((r == 0 ? cuts_.azimuth : cuts_.elevation)[degree], 1));
        }
    }
}

/// The value at a node; the change fades out towards the nodes beside it, so that what lies between keeps its
/// shape.
void LobeSide::set_value(PatternCuts& cuts, int row, int column, double db) const {
    const int step = step_deg(), degree = -180 + step * (column + 1);
    Cut& cut = row == 0 ? cuts.azimuth : cuts.elevation;
    const double by_db = db - cut[degree];
    for (int beside = -step + 1; beside < step; ++beside)
        cut[degree + beside] =
            std::clamp(cut[degree + beside] + by_db * (1 - std::abs(beside) / static_cast<double>(step)),
                       pattern_floor_db, 0.0);
}

void LobeSide::take_value(int row, int column) {
    try {
        PatternCuts cuts = cuts_;
        set_value(cuts, row, column,
                  parse_number(values_->item(row, column)->text(), pattern_floor_db, 0, "dB"));
        emit typed(cuts);
    } catch (const Error& fault) {
        emit refused(fault_text(fault));
        fill_values();
    }
}

/// Numbers of the clipboard from the cell on: to the right by tabs, blanks or semicolons, down by lines.
void LobeSide::paste() {
    const int first_row = std::max(0, values_->currentRow()), first = std::max(0, values_->currentColumn());
    PatternCuts cuts = cuts_;
    try {
        const QStringList lines = QApplication::clipboard()->text().trimmed().split('\n');
        for (int r = 0; r < lines.size() && first_row + r < 2; ++r) {
            const auto cells = lines[r].trimmed().split(QRegularExpression("[\\s;]+"), Qt::SkipEmptyParts);
            for (int c = 0; c < cells.size() && first + c < values_->columnCount(); ++c)
                set_value(cuts, first_row + r, first + c, parse_number(cells[c], pattern_floor_db, 0, "dB"));
        }
        emit typed(cuts);
    } catch (const Error& fault) {
        emit refused(tr("Not pasted: %1").arg(fault_text(fault)));
    }
}

bool LobeSide::eventFilter(QObject* who, QEvent* e) {
    if (who == values_ && e->type() == QEvent::KeyPress &&
        static_cast<QKeyEvent*>(e)->matches(QKeySequence::Paste)) {
        paste();
        return true;
    }
    return QWidget::eventFilter(who, e);
}

/// The front in the middle, once there is a middle.
void LobeSide::show_front() {
    if (QTableWidgetItem* front = values_->item(0, values_->columnCount() / 2 - 1))
        values_->scrollToItem(front, QAbstractItemView::PositionAtCenter);
}

void LobeSide::showEvent(QShowEvent*) { QTimer::singleShot(0, this, &LobeSide::show_front); }

void LobeSide::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app
