// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/spectrum/rates_panel.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QTableWidget>
#include <QVBoxLayout>
#include <array>

#include "app/forms/form.h"
#include "base/error.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "wireless/rates.h"

namespace yemvo::app {
namespace {

constexpr std::array all_standards{Standard::n, Standard::ac, Standard::ax, Standard::be};
constexpr int most_answers = 6;

QString name_of(Standard s) { return QString::fromStdString(std::string(standard_name(s))); }

/// "80 MHz, 2 streams, MCS 11, 0.8 µs (ax, be)"
QString words_of(const RateForm& f, const QStringList& standards) {
    return tr("%1 MHz, %2, MCS %3, %4 µs (%5)")
        .arg(f.width_mhz)
        .arg(counted("%n stream", "%n streams", f.streams))
        .arg(f.mcs)
        .arg(render::figure(f.guard_us, 1), standards.join(", "));
}

}  // namespace

RatesPanel::RatesPanel(QWidget* parent) : QWidget(parent) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(12, 6, 12, 6);
    column->setSpacing(4);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    auto* title = new QLabel(tr("Mbit/s"));
    title->setObjectName("groupTitle");
    row->addWidget(title);
    row->addStretch(1);
    const auto choice = [&](const char* object, const QString& name) {
        auto* box = new QComboBox;
        box->setObjectName(object);
        box->setAccessibleName(name);
        row->addWidget(box);
        return box;
    };
    standard_ = choice("rateStandard", tr("Standard"));
    streams_ = choice("rateStreams", tr("Streams"));
    guard_ = choice("rateGuard", tr("Guard interval"));
    for (Standard s : all_standards) standard_->addItem("802.11" + name_of(s));
    standard_->setCurrentIndex(2);
    column->addLayout(row);
    table_ = new QTableWidget;
    table_->setObjectName("rateTable");
    table_->setAccessibleName(tr("Rates by width and scheme"));
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setShowGrid(false);
    table_->setFrameShape(QFrame::NoFrame);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(19);
    table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    column->addWidget(table_, 1);
    auto* back = new QHBoxLayout;
    back->setSpacing(6);
    auto* asks = new QLabel(tr("A device shows"));
    back->addWidget(asks);
    seen_ = new QLineEdit;
    seen_->setObjectName("rateSeen");
    seen_->setAccessibleName(tr("Rate seen on a device, Mbit/s"));
    seen_->setFixedWidth(70);
    seen_->setAlignment(Qt::AlignRight);
    seen_->setPlaceholderText(QStringLiteral("1201"));
    asks->setBuddy(seen_);
    back->addWidget(seen_);
    back->addWidget(new QLabel("Mbit/s"));
    back->addStretch(1);
    column->addLayout(back);
    answer_ = new QLabel;
    answer_->setObjectName("rateAnswer");
    answer_->setWordWrap(true);
    column->addWidget(answer_);
    connect(standard_, &QComboBox::currentIndexChanged, this, [this] {
        fill_choices();
        fill();
    });
    connect(streams_, &QComboBox::currentIndexChanged, this, &RatesPanel::fill);
    connect(guard_, &QComboBox::currentIndexChanged, this, &RatesPanel::fill);
    connect(seen_, &QLineEdit::textChanged, this, &RatesPanel::look_back);
    fill_choices();
    streams_->setCurrentIndex(1);
    fill();
    look_back();
}

void RatesPanel::fill_choices() {
    const Standard s = all_standards[static_cast<std::size_t>(standard_->currentIndex())];
    const int streams = std::max(0, streams_->currentIndex());
    const QSignalBlocker quiet(streams_), quiet_too(guard_);
    streams_->clear();
    for (int n = 1; n <= most_streams(s); ++n) streams_->addItem(counted("%n stream", "%n streams", n));
    streams_->setCurrentIndex(std::min(streams, most_streams(s) - 1));
    guard_->clear();
    for (double g : guards_us(s)) guard_->addItem(tr("%1 µs").arg(render::figure(g, 1)), g);
    guard_->setCurrentIndex(std::max(0, guard_->findData(0.8)));
}

void RatesPanel::fill() {
    const Standard s = all_standards[static_cast<std::size_t>(standard_->currentIndex())];
    const std::vector<int> widths = widths_mhz(s);
    const std::vector<Mcs> schemes = mcs_list(s);
    table_->clear();
    table_->setColumnCount(static_cast<int>(widths.size()) + 1);
    table_->setRowCount(static_cast<int>(schemes.size()));
    QStringList heads{tr("MCS")};
    for (int w : widths) heads << tr("%1 MHz").arg(w);
    table_->setHorizontalHeaderLabels(heads);
    for (int r = 0; r < table_->rowCount(); ++r) {
        const Mcs& mcs = schemes[static_cast<std::size_t>(r)];
        auto* name = new QTableWidgetItem(QString::number(mcs.index));
        name->setToolTip(QString::fromStdString(mcs.modulation + " " + mcs.code_text()));
        table_->setItem(r, 0, name);
        for (int c = 1; c < table_->columnCount(); ++c) {
            const auto rate =
                phy_rate_mbps(s, widths[static_cast<std::size_t>(c - 1)], streams_->currentIndex() + 1,
                              mcs.index, guard_->currentData().toDouble());
            auto* item = new QTableWidgetItem(rate ? render::figure(*rate, 1) : QStringLiteral("–"));
            item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
            table_->setItem(r, c, item);
        }
    }
    table_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::ResizeToContents);
}

void RatesPanel::look_back() {
    const QString text = seen_->text().trimmed();
    if (text.isEmpty()) return answer_->setText(tr("Type a rate to see how it is sent."));
    double mbps = 0;
    try {
        mbps = parse_number(text, 0.1, 100'000, "Mbit/s");
    } catch (const Error& e) {
        return answer_->setText(said_text(e.told()));
    }
    // one line a form, whatever standards share it
    std::vector<std::pair<RateForm, QStringList>> forms;
    for (const RateForm& f : forms_with_rate(mbps)) {
        const auto same = std::ranges::find_if(forms, [&](const auto& known) {
            const RateForm& k = known.first;
            return k.width_mhz == f.width_mhz && k.streams == f.streams && k.mcs == f.mcs &&
                   k.guard_us == f.guard_us;
        });
        if (same == forms.end())
            forms.push_back({f, {name_of(f.standard)}});
        else
            same->second << name_of(f.standard);
    }
    if (forms.empty()) return answer_->setText(tr("No form of 802.11n, ac, ax or be has this rate."));
    QStringList lines;
    for (const auto& [form, standards] : forms) {
        if (lines.size() == most_answers) {
            lines << counted("and %n more", "and %n more", forms.size() - most_answers);
            break;
        }
        lines << words_of(form, standards);
    }
    answer_->setText(lines.join("\n"));
}

QString RatesPanel::answer() const { return answer_->text(); }

}  // namespace yemvo::app
