/** The invented customers of the demo shop. */
export const DEMO_CUSTOMERS = [
  { name: 'Petra Aldous', phone: '555 0101', email: 'petra@aldous.example' },
  { name: 'Henrik Tarn', phone: '555 0102', email: '' },
  { name: 'Mirela Osk', phone: '555 0103', email: 'mirela@osk.example' },
  { name: 'Jonah Petrel', phone: '555 0104', email: '' },
  { name: 'Saskia Dunmore', phone: '555 0105', email: 'saskia@dunmore.example' },
  { name: 'Leif Arbury', phone: '555 0106', email: '' },
  { name: 'Amara Quill', phone: '555 0107', email: 'amara@quill.example' },
  { name: 'Bastien Roe', phone: '555 0108', email: '' },
  { name: 'Yusra Hale', phone: '555 0109', email: 'yusra@hale.example' },
  { name: 'Ottilie Crane', phone: '555 0110', email: '' },
  { name: 'Dag Winterby', phone: '555 0111', email: 'dag@winterby.example' },
  { name: 'Noor Ashgrove', phone: '555 0112', email: '' },
  { name: 'Casimir Bloom', phone: '555 0113', email: '' },
] as const;
