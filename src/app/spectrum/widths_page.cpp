// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/spectrum/widths_page.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableView>
#include <algorithm>

#include "app/look/columns.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/prediction.h"
#include "app/model/results.h"
#include "app/model/workspace.h"
#include "app/spectrum/rates_panel.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QString share_or_dash(const std::optional<double>& v, int decimals) {
    return v ? render::percent(*v, decimals) : QStringLiteral("–");
}

QString place_name(const Project& p, const OtherwiseThere& o) {
    const Floor* floor = find_floor(p, o.floor);
    if (!floor) return {};
    if (const Zone* zone = find_zone(*floor, o.zone)) return QString::fromStdString(zone->name);
    const DeviceRow* row = find_device_row(*floor, o.row);
    return row ? QString::fromStdString(row->name) : QString();
}

}  // namespace

int WidthsTable::rowCount(const QModelIndex&) const {
    return study_ ? static_cast<int>(study_->rows.size()) : 0;
}

void WidthsTable::show(std::shared_ptr<const WidthStudy> study) {
    beginResetModel();
    study_ = std::move(study);
    endResetModel();
}

QString WidthsTable::words(const WidthFigures& f, int column) const {
    switch (column) {
        case band_column:
            return render::local(band(f.band).name);
        case width:
            return QString::number(f.width_mhz);
        case clear:
            return f.clear_dfs > 0 ? tr("%1, %2 DFS").arg(f.clear).arg(f.clear_dfs)
                                   : QString::number(f.clear);
        case gain:
            return f.gain ? tr("%1 of %2").arg(render::figure(*f.gain, 1), render::figure(f.most_gain, 1))
                          : render::figure(f.most_gain, 1);
        case noise:
            return f.noise_db > 0 ? "+" + render::figure(f.noise_db, 0) : QStringLiteral("–");
        case heard:
            return render::figure(f.heard, 1);
        case lost:
            return render::percent(f.lost, 1);
        case can_use:
            return share_or_dash(f.can_use, 0);
        case carried:
            return f.carried_mbps ? render::figure(*f.carried_mbps, 0) : QStringLiteral("–");
        case could:
            return f.could_get_mbps ? render::figure(*f.could_get_mbps, 0) : QStringLiteral("–");
        case satisfied:
            return share_or_dash(f.satisfied, 1);
        default:
            break;
    }
    if (f.clear == 0) return tr("the country frees none");
    if (f.narrower == f.radios) return tr("no radio can");
    QStringList parts;
    if (f.best) parts << tr("best");
    if (f.now) parts << tr("now");
    if (f.narrower > 0) parts << counted("%n narrower", "%n narrower", f.narrower);
    return parts.join(", ");
}

QVariant WidthsTable::data(const QModelIndex& index, int role) const {
    const auto i = static_cast<std::size_t>(index.row());
    if (!study_ || !index.isValid() || i >= study_->rows.size()) return {};
    const WidthFigures& f = study_->rows[i];
    if (role == Qt::DisplayRole) return words(f, index.column());
    if (role == Qt::FontRole) return render::font(12, f.best ? 600 : 400);
    if (role == Qt::BackgroundRole && f.best) return QBrush(theme().accent_tint);
    if (role == Qt::ForegroundRole && (f.clear == 0 || f.narrower == f.radios)) return QBrush(theme().muted);
    if (role == Qt::TextAlignmentRole && index.column() >= heard && index.column() <= satisfied)
        return static_cast<int>(Qt::AlignRight | Qt::AlignVCenter);
    return {};
}

QVariant WidthsTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal) return {};
    if (role == Qt::TextAlignmentRole)
        return static_cast<int>((section >= heard && section <= satisfied ? Qt::AlignRight : Qt::AlignLeft) |
                                Qt::AlignVCenter);
    if (role == Qt::ToolTipRole) switch (section) {
            case clear:
                return tr("Channels beside each other that the country frees indoors");
            case gain:
                return tr(
                    "Of the rate over 20 MHz: for the clients of the band where they stand, and close by");
            case noise:
                return tr("More noise than in 20 MHz");
            case heard:
                return tr("Others on its spectrum that a radio hears, neighbours too, in the mean");
            case lost:
                return tr("Time that a radio loses to others on its spectrum, in the mean over demand");
            case verdict:
                return tr(
                    "Best: carries most, and of equals leaves most room. Narrower: radios that cannot be so "
                    "wide");
            case can_use:
                return tr("Share of the band's clients that know the width");
            case carried:
                return tr("Mbit/s down and up, in the mean over the busy hours");
            case could:
                return tr("Mbit/s down that would go out if all asked alike for more");
            default:
                return {};
        }
    if (role != Qt::DisplayRole) return {};
    switch (section) {
        case band_column:
            return tr("GHz");
        case width:
            return tr("MHz");
        case clear:
            return tr("Clear channels");
        case gain:
            return tr("Rate ×");
        case noise:
            return tr("Noise, dB");
        case heard:
            return tr("Hears");
        case lost:
            return tr("Air lost");
        case can_use:
            return tr("Can use");
        case carried:
            return tr("Carried");
        case could:
            return tr("Could be");
        case satisfied:
            return tr("Satisfied");
        default:
            return {};
    }
}

WidthsPage::WidthsPage(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setObjectName("widthsPage");
    auto* sides = new QHBoxLayout(this);
    sides->setContentsMargins(0, 0, 0, 0);
    sides->setSpacing(0);
    auto* main = new QWidget;
    auto* column = new QVBoxLayout(main);
    column->setContentsMargins(12, 6, 8, 6);
    column->setSpacing(4);
    auto* head = new QHBoxLayout;
    summary_ = new QLabel;
    summary_->setObjectName("widthsSummary");
    summary_->setFont(render::font(13, 600));
    summary_->setWordWrap(true);
    head->addWidget(summary_, 1);
    begin_ = new QPushButton(tr("Work them out"));
    begin_->setObjectName("widthsBegin");
    connect(begin_, &QPushButton::clicked, this, [this] { is_working() ? stop() : begin(); });
    head->addWidget(begin_);
    column->addLayout(head);
    table_ = new WidthsTable(this);
    view_ = new QTableView;
    view_->setObjectName("widthsTable");
    view_->setAccessibleName(tr("Widths"));
    view_->setModel(table_);
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setSelectionMode(QAbstractItemView::SingleSelection);
    view_->setShowGrid(false);
    view_->setFrameShape(QFrame::NoFrame);
    view_->verticalHeader()->hide();
    view_->verticalHeader()->setDefaultSectionSize(20);
    constexpr int widths[] = {36, 42, 96, 88, 58, 46, 58, 66, 56, 60, 62};
    for (int c = 0; c < WidthsTable::verdict; ++c) set_column_width(*view_, c, widths[c]);
    view_->horizontalHeader()->setSectionResizeMode(WidthsTable::verdict, QHeaderView::Stretch);
    column->addWidget(view_, 1);
    otherwise_ = new QLabel;
    otherwise_->setObjectName("muted");
    otherwise_->setWordWrap(true);
    column->addWidget(otherwise_);
    sides->addWidget(main, 1);
    rates_ = new RatesPanel;
    rates_->setFixedWidth(376);
    sides->addWidget(rates_);
    connect(&behind_, &Behind::progressed, this, [this] {
        refresh();
        emit progressed();
    });
    listen(this, &WidthsPage::grow_old, workspace, &Workspace::project_changed);
    connect(&workspace.document(), &Document::opened, this, [this] {
        behind_.stop();
        show_study(nullptr);
    });
    refresh();
}

WidthsPage::~WidthsPage() { behind_.disconnect(); }

void WidthsPage::begin() {
    const std::shared_ptr<const Prediction> prediction = workspace_.results().prediction();
    if (!prediction || !prediction->more.find<SiteHearing>() || prediction->site.floors.empty())
        return workspace_.tell(tr("Who hears whom is still being worked out: try again in a moment"));
    behind_.request(job(
        tr("Trying widths"),
        [prediction](const AtWork& at) {
            return std::make_shared<const WidthStudy>(
                study_widths(prediction->project, *prediction->site.floors.front().scene,
                             *prediction->more.find<SiteHearing>(), prediction->more.find<SiteCapacity>(), 3,
                             at.cancel(), [&](double share) { at.tell(share); }));
        },
        [this](const std::shared_ptr<const WidthStudy>& study) { show_study(study); },
        [this](const QString& why) { workspace_.tell(tr("Trying widths failed: %1").arg(why), true); }));
    refresh();
}

void WidthsPage::stop() {
    behind_.stop();
    refresh();
}

void WidthsPage::show_study(std::shared_ptr<const WidthStudy> study) {
    old_ = false;
    table_->show(std::move(study));
    refresh();
}

void WidthsPage::grow_old() {
    if (!table_->study() || old_) return;
    old_ = true;
    refresh();
}

QString WidthsPage::otherwise_words() const {
    QStringList parts;
    for (const OtherwiseThere& o : table_->study()->otherwise) {
        const QString name = place_name(workspace_.project(), o);
        if (name.isEmpty()) continue;
        if (parts.size() == 4) {
            parts << QStringLiteral("…");
            break;
        }
        parts << tr("%1 at %2 GHz with %3 MHz (%4 satisfied instead of %5)")
                     .arg(name, render::local(band(o.band).name))
                     .arg(o.width_mhz)
                     .arg(render::percent(o.satisfied, 0), render::percent(o.satisfied_at_best, 0));
    }
    return parts.isEmpty() ? tr("No zone would be served better with another width.")
                           : tr("Better served otherwise: %1").arg(parts.join("; "));
}

QString WidthsPage::summary() const { return summary_->text(); }

void WidthsPage::refresh() {
    begin_->setText(is_working() ? tr("Stop") : tr("Work them out"));
    begin_->setEnabled(workspace_.document().is_open());
    const WidthStudy* study = table_->study();
    view_->setVisible(study && !study->rows.empty());
    otherwise_->setVisible(study != nullptr);
    if (is_working()) return summary_->setText(behind_.words());
    if (!study) {
        summary_->setText(
            tr("What each width would do here: every band retuned at every width, and the demand with it"));
        return;
    }
    if (study->rows.empty()) return summary_->setText(tr("No radio is on"));
    QStringList best;
    for (const WidthFigures& f : study->rows)
        if (f.best) best << tr("%1 GHz: %2 MHz").arg(render::local(band(f.band).name)).arg(f.width_mhz);
    const bool demand = study->rows.front().carried_mbps.has_value();
    QString words = (demand ? tr("Carries most: %1") : tr("Loses least air: %1")).arg(best.join(", "));
    if (old_) words += " " + tr("(of the plan before the last change)");
    summary_->setText(words);
    otherwise_->setText(demand ? otherwise_words() : tr("Nothing is known of demand: all bands alike."));
}

}  // namespace yemvo::app
